import { Dialog } from 'radix-ui'
import { useEffect, useState } from 'react'
import { buttonClass } from '~/ui/button'
import { backToWork } from './goes-on'

const keys = [
  ['Space', 'go on with the large button'],
  ['C, then Enter', 'bleeder is closed, and its hose was clear where that is asked'],
  ['B, then Enter', 'bleeder is closed, and bubbles came'],
  ['1 2 3 4', 'no bubbles, froth, string, slug: records what the hose showed'],
  ['Tab', 'to the next control'],
  ['?', 'this list'],
]

/** The keys of the bay, on `?` or by its button. */
export function KeysDialog() {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const ask = (event: KeyboardEvent) => {
      if (event.key === '?' && !(event.target instanceof HTMLInputElement)) setOpen(true)
    }
    window.addEventListener('keydown', ask)
    return () => window.removeEventListener('keydown', ask)
  }, [])
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className={buttonClass({ size: 'glove' })}>Keys (?)</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/50" />
        <Dialog.Content
          className="panel fixed top-1/2 left-1/2 grid w-[min(92vw,30rem)] -translate-1/2 gap-4"
          aria-describedby={undefined}
          onCloseAutoFocus={backToWork}
        >
          <Dialog.Title className="text-xl">Keys of this screen</Dialog.Title>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-extrabold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className={buttonClass({})}>Close this list</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
