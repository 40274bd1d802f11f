import { AmountForm } from './amount-form'
import { BayDialog } from './bay-dialog'

type Props = {
  trigger: string
  title: string
  label: string
  button: string
  onAmount: (ml: number) => void
  urgent?: boolean
  className?: string
}

/** A button that asks for one amount in mL and records it. */
export function AmountDialog({
  trigger,
  title,
  label,
  button,
  onAmount,
  urgent = false,
  className = '',
}: Props) {
  return (
    <BayDialog trigger={trigger} title={title} triggerClass={`${urgent ? 'button-main' : ''} ${className}`}>
      {(close) => (
        <AmountForm
          label={label}
          button={button}
          onAmount={(ml) => {
            close()
            onAmount(ml)
          }}
        />
      )}
    </BayDialog>
  )
}
