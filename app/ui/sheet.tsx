import { Dialog } from 'radix-ui'
import type { ComponentProps } from 'react'

type Props = ComponentProps<typeof Dialog.Content> & {
  title: string
  /** For what needs to lie side by side. */
  wide?: boolean
}

/** What lies over a page until it is answered or laid aside, inside a `Dialog.Root`: its title names it, Escape closes it. */
export const Sheet = ({ title, wide = false, children, ...rest }: Props) => (
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
)
