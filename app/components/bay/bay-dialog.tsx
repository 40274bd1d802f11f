import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { buttonClass } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { Sheet } from '~/ui/sheet'
import { backToWork } from './goes-on'
import { OnItsOwn } from './now-panel'

type Props = {
  /** What the button says that opens it. */
  trigger: string
  title: string
  triggerClass?: string
  /** Said at the top, before the fields. */
  caution?: string
  wide?: boolean
  children: (close: () => void) => React.ReactNode
}

/** A sheet over the bay: large targets, Escape closes it, and the focus goes back to the work. */
export function BayDialog({ trigger, title, triggerClass, caution, wide = false, children }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className={buttonClass({ size: 'glove' }, triggerClass)}>{trigger}</Dialog.Trigger>
      <Sheet title={title} wide={wide} onCloseAutoFocus={backToWork}>
        {caution && (
          <Notice kind="stop" className="font-bold">
            {caution}
          </Notice>
        )}
        <OnItsOwn>{children(() => setOpen(false))}</OnItsOwn>
        <Dialog.Close className={buttonClass({ size: 'finger' })}>Not now</Dialog.Close>
      </Sheet>
    </Dialog.Root>
  )
}
