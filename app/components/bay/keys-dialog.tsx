import { Dialog } from 'radix-ui'
import { useEffect, useState } from 'react'
import { buttonClass } from '~/ui/button'
import { Sheet } from '~/ui/sheet'
import { backToWork } from './goes-on'

const keys = [
  ['Space', 'go on with the large button'],
  ['C, then Enter', 'bleeder is closed, and its hose was clear where that is asked'],
  ['B, then Enter', 'bleeder is closed, and bubbles came'],
  ['1 2 3 4', 'no bubbles, froth, string, slug: records what the hose showed'],
  ['5', 'no bubbles and as new, where it is offered'],
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
      <Sheet title="Keys of this screen" onCloseAutoFocus={backToWork}>
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
          {keys.map(([key, what]) => (
            <div key={key} className="contents">
              <dt className="font-extrabold">{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <Dialog.Close className={buttonClass({})}>Close this list</Dialog.Close>
      </Sheet>
    </Dialog.Root>
  )
}
