import type { Amount } from '~/lib/units'
import { AmountForm } from './amount-form'
import { BayDialog } from './bay-dialog'

type Props = {
  trigger: string
  title: string
  label: string
  button: string
  onAmount: (amount: Amount) => void
  className?: string
}

/** A button that asks for one amount of fluid and records it. */
export function AmountDialog({ trigger, title, label, button, onAmount, className = '' }: Props) {
  return (
    <BayDialog trigger={trigger} title={title} triggerClass={className}>
      {(close) => (
        <AmountForm
          label={label}
          button={button}
          onAmount={(amount) => {
            close()
            onAmount(amount)
          }}
        />
      )}
    </BayDialog>
  )
}
