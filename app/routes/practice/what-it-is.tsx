import { type ReactNode, useState } from 'react'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { ScrollsSideways } from '~/ui/scrolls-sideways'
import { fact } from '~core/base/decision'
import { hiddenIn, hiddenKinds, practiceWheels } from '~core/job/practice-hides'
import type { Seen } from '~core/job/practice-vehicle'
import type { Vehicle } from '~core/vehicle/schema'

const MOST_LOOKS = 20

/** What is wrong with the vehicle is the trainee's to say, by what it showed; then it is told, with every look beside. */
export function WhatItIs({
  vehicle,
  hides,
  wheel,
  looks,
}: {
  vehicle: Vehicle
  hides: number
  wheel: number
  looks: Seen['looks']
}) {
  const say = useSay()
  const [kind, setKind] = useState<number>()
  const [at, setAt] = useState<number>()
  const [said, setSaid] = useState<'right' | 'wrong' | 'told'>()
  const asksWheel = kind !== undefined && hiddenKinds[kind]?.atWheel === true
  const guess = (nextKind: number | undefined, nextAt: number | undefined) => {
    setKind(nextKind)
    setAt(nextAt)
    // Another guess is not told right or wrong before it is made.
    setSaid(undefined)
  }
  const tell = () => {
    if (kind === undefined) return
    setSaid(kind === hides && (!asksWheel || at === wheel) ? 'right' : 'wrong')
  }
  const ready = kind !== undefined && (!asksWheel || at !== undefined)
  return (
    <Panel title="What is wrong with it?" className="grid gap-3">
      <fieldset className="grid gap-2 sm:grid-cols-2">
        <legend className="sr-only">What is wrong with it?</legend>
        {hiddenKinds.map(({ id }, n) => (
          <Guess key={id} name="hidden" checked={kind === n} onGuess={() => guess(n, at)}>
            {say({ code: `practice-is-${id}` })}
          </Guess>
        ))}
      </fieldset>
      {asksWheel && (
        <fieldset className="flex flex-wrap items-center gap-2">
          <legend className="field-label">At which wheel</legend>
          {practiceWheels(vehicle).map(({ bleeder, part }, n) => (
            <Guess key={part} name="wheel" checked={at === n} onGuess={() => guess(kind, n)}>
              {bleeder}
            </Guess>
          ))}
        </fieldset>
      )}
      <div className="flex flex-wrap gap-2">
        <Button size="glove" className="flex-1" disabled={!ready} onClick={tell}>
          That is it
        </Button>
        <Button size="glove" onClick={() => setSaid('told')}>
          Tell me
        </Button>
      </div>
      <p role="status" className="font-bold">
        {said === 'right' && '✓ Right. '}
        {said === 'wrong' && '✗ Not that. Look again: what comes, how the foot feels, what the hose shows.'}
        {(said === 'right' || said === 'told') && say(hiddenIn(vehicle, hides, wheel).what)}
      </p>
      {(said === 'right' || said === 'told') && <Looks looks={looks} />}
    </Panel>
  )
}

type GuessProps = { name: string; checked: boolean; onGuess: () => void; children: ReactNode }

const Guess = ({ name, checked, onGuess, children }: GuessProps) => (
  <label className="choice min-h-[56px]">
    <input type="radio" name={name} checked={checked} onChange={onGuess} />
    {children}
  </label>
)

/** What was there to be seen, beside what was written down. */
function Looks({ looks }: { looks: Seen['looks'] }) {
  const show = useShow()
  const say = useSay()
  if (looks.length === 0) return <p className="text-quiet">Nothing was looked at yet.</p>
  const told = ({ ml, colour, bubbles }: Seen['looks'][number]['shown']) =>
    `${show('volume', Math.round(ml * 10) / 10)}, ${say(fact(`seen-hose-${bubbles}`, { colour: fact(`seen-${colour}`) }))}`
  return (
    <ScrollsSideways label="What each look showed">
      <table className="w-full text-left">
        <thead>
          <tr>
            <th scope="col">At</th>
            <th scope="col">It showed</th>
            <th scope="col">You wrote</th>
          </tr>
        </thead>
        <tbody>
          {looks.slice(-MOST_LOOKS).map(({ n, point, shown, wrote }) => (
            <tr key={n} className="border-t border-rule align-top">
              <th scope="row">{point}</th>
              <td>{told(shown)}</td>
              <td>{told(wrote)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollsSideways>
  )
}
