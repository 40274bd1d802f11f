import { Dialog } from 'radix-ui'
import { type ComponentProps, useState } from 'react'
import { Button, type ControlSize } from './button'

type SheetProps = Omit<ComponentProps<typeof Dialog.Content>, 'title'> & {
  title: string
  /** For what needs to lie side by side. */
  wide?: boolean
  onClose: () => void
}

/** What lies over a page until it is answered or laid aside: its title names it, Escape closes it. */
export const Sheet = ({ title, wide = false, onClose, children, ...rest }: SheetProps) => (
  <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-10 bg-black/50" />
      <Dialog.Content
        className={`panel fixed top-1/2 left-1/2 z-20 grid max-h-[94vh] gap-4 overflow-y-auto -translate-1/2 ${wide ? 'w-[min(94vw,56rem)]' : 'w-[min(92vw,32rem)]'}`}
        aria-describedby={undefined}
        {...rest}
      >
        <Dialog.Title className="text-xl">{title}</Dialog.Title>
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  </Dialog.Root>
)

type SheetButtonProps = Omit<SheetProps, 'onClose' | 'children' | 'className'> & {
  /** What the button says. */
  trigger: string
  triggerClass?: string
  size?: ControlSize
  children: (close: () => void) => React.ReactNode
}

/** A button and the sheet that it opens. A page has many and one is open at a time: what is shut costs a button. */
export function SheetButton({ trigger, triggerClass, size, children, ...sheet }: SheetButtonProps) {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <Button
        size={size}
        className={triggerClass}
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(true)}
      >
        {trigger}
      </Button>
      {open && (
        <Sheet onClose={close} {...sheet}>
          {children(close)}
        </Sheet>
      )}
    </>
  )
}
