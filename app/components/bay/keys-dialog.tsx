import { useEffect, useState } from 'react'
import { Button } from '~/ui/button'
import { Sheet } from '~/ui/sheet'
import { learnFootSwitch, mayBeFootSwitch, useFootSwitch } from './foot-switch'
import { backToWork } from './goes-on'

const keys = [
  ['Space, or the foot switch', 'go on with the large button'],
  ['C, then Enter', 'bleeder is closed, and its hose was clear where that is asked'],
  ['B, then Enter', 'bleeder is closed, and bubbles came'],
  ['1 2 3 4', 'no bubbles, froth, string, slug: records what the hose showed'],
  ['5', 'no bubbles and as new, where it is offered'],
  ['Tab', 'to the next control'],
  ['?', 'this list'],
]

/** A foot switch that sends another key than Space is learned by being pressed. */
function FootSwitch() {
  const known = useFootSwitch()
  const [says, setSays] = useState('')
  const [waits, setWaits] = useState(false)
  function learn(event: React.KeyboardEvent) {
    if (!waits) return
    event.preventDefault()
    setWaits(false)
    const may = mayBeFootSwitch(event.key)
    if (may) learnFootSwitch(event.key)
    setSays(may ? '' : `${event.key} says something else here: set the switch to another key, Space for one.`)
  }
  return (
    <div className="grid gap-2 border-t-2 border-rule pt-3">
      <p>
        A foot switch is a key: it goes on with the large button, and never closes a bleeder.{' '}
        {known === ' ' ? 'One that sends Space works as it is.' : `Here it sends ${known}; Space works too.`}
      </p>
      <Button
        size="glove"
        onClick={() => setWaits(true)}
        onKeyDown={learn}
        onBlur={() => setWaits(false)}
        aria-pressed={waits}
      >
        {waits ? 'Press the foot switch now' : 'Learn another foot switch'}
      </Button>
      {says && (
        <p role="alert" className="fault">
          {says}
        </p>
      )}
    </div>
  )
}

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
  const close = () => setOpen(false)
  return (
    <>
      <Button size="glove" aria-haspopup="dialog" aria-expanded={open} onClick={() => setOpen(true)}>
        Keys (?)
      </Button>
      {open && (
        <Sheet title="Keys of this screen" onClose={close} onCloseAutoFocus={backToWork}>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-extrabold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <FootSwitch />
          <Button size="glove" onClick={close}>
            Close this list
          </Button>
        </Sheet>
      )}
    </>
  )
}
