import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { buttonClass } from '~/ui/button'
import { Notice } from '~/ui/notice'
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
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/50" />
        <Dialog.Content
          className={`panel fixed top-1/2 left-1/2 z-20 grid max-h-[94vh] gap-4 overflow-y-auto -translate-1/2 ${wide ? 'w-[min(94vw,56rem)]' : 'w-[min(92vw,32rem)]'}`}
          aria-describedby={undefined}
          onCloseAutoFocus={backToWork}
        >
          <Dialog.Title className="text-xl">{title}</Dialog.Title>
          {caution && (
            <Notice kind="stop" className="font-bold">
              {caution}
            </Notice>
          )}
          <OnItsOwn>{children(() => setOpen(false))}</OnItsOwn>
          <Dialog.Close className={buttonClass({ size: 'finger' })}>Not now</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
