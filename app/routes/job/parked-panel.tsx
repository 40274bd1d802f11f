import { type ReactNode, useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { useStanding } from '~/components/bay/stands-line'
import { showTime, upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { ActionBar } from '~/ui/action-bar'
import { Button, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { offFact, stillOff } from '~core/job/off-things'
import type { JobState, Parked } from '~core/job/state'

type Props = {
  state: JobState
  parked: Parked
  jobId: string
  act: (act: FloorAct) => void
  /** Whether what was done here is saved: where no page beneath says so. */
  saved?: ReactNode
}

/** A parked job: who left it how, and the confirmation without which nothing goes on. */
export function ParkedPanel({ state, parked, jobId, act, saved }: Props) {
  const stands = useStanding(state)
  const say = useSay()
  const away = stillOff(state).map((thing) => say(offFact(thing)))
  const machine = state.standing.up.includes('pressure')
  const [seen, setSeen] = useState<string[]>([])
  const [asLeft, setAsLeft] = useState<boolean>()
  const [found, setFound] = useState('')
  const [cameUp, setCameUp] = useState(false)
  const [empty, setEmpty] = useState(false)
  const open = state.run !== undefined && state.run.call !== 'rest'
  const looked = stands.every((each) => seen.includes(each))
  const ready = looked && asLeft !== undefined && (asLeft || found.trim() !== '')
  const toggle = (each: string) =>
    setSeen((before) => (before.includes(each) ? before.filter((one) => one !== each) : [...before, each]))
  return (
    <Panel className="hatched-edge grid gap-5 border-4 border-oxide pl-8" aria-label="Parked">
      <div className="bg-sheet p-4">
        <h1 className="text-3xl">Parked: nobody goes on before it is looked at</h1>
        <p className="mt-1 text-xl">
          {parked.by?.name ?? 'Somebody'} left it on {showTime(parked.at)}: {parked.why}
        </p>
        {away.length > 0 && (
          <p className="mt-1 text-xl font-bold wrap-anywhere">{upperFirst(away.join('; '))}.</p>
        )}
        {parked.note && <p className="mt-1 text-xl wrap-anywhere">{parked.note}</p>}
        {saved}
      </div>
      <div className="grid gap-4 bg-sheet p-4">
        <fieldset>
          <legend className="field-label text-xl">
            {stands.length > 0
              ? 'Look at each, and say that you saw it'
              : 'It was left closed, with nothing on it'}
          </legend>
          <div className="grid gap-2 sm:grid-cols-2">
            {stands.map((each) => (
              <label key={each} className="choice min-h-[72px] text-lg">
                <input type="checkbox" checked={seen.includes(each)} onChange={() => toggle(each)} />
                {each}: I looked
              </label>
            ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="field-label text-xl">Does everything stand as it was left?</legend>
          <div className="grid gap-2 sm:grid-cols-2">
            {[true, false].map((value) => (
              <label key={String(value)} className="choice min-h-[72px] text-lg">
                <input
                  type="radio"
                  name="asLeft"
                  checked={asLeft === value}
                  onChange={() => setAsLeft(value)}
                />
                {value ? 'Yes, all of it' : 'No, or not sure'}
              </label>
            ))}
          </div>
        </fieldset>
        {asLeft === false && (
          <label className="grid gap-1">
            <span className="field-label">What did you find? The levels are read anew.</span>
            <input
              className="input min-h-[56px]"
              value={found}
              maxLength={2000}
              onChange={(event) => setFound(event.target.value)}
            />
          </label>
        )}
        {machine && (
          <label className="choice min-h-[72px] text-lg">
            <input type="checkbox" checked={empty} onChange={() => setEmpty(!empty)} />
            The machine stands empty: its pressure is gone, and air may have gone in
          </label>
        )}
        {parked.pedalPropped && open && (
          <label className="choice min-h-[72px] text-lg">
            <input type="checkbox" checked={cameUp} onChange={() => setCameUp(!cameUp)} />
            The pedal came up meanwhile, with the bleeder open
          </label>
        )}
        <ActionBar>
          <Button
            main
            size="glove"
            className="text-xl"
            disabled={!ready}
            onClick={() =>
              act({
                type: 'resumed',
                asLeft: asLeft === true,
                pedalCameUp: cameUp,
                found: asLeft ? '' : found.trim(),
                ...(machine && empty && { machineEmpty: true }),
              })
            }
          >
            I looked: go on with it
          </Button>
        </ActionBar>
        <div className="flex flex-wrap gap-3">
          <LinkButton to={`/jobs/${jobId}/tag`} size="glove">
            Do-not-drive tag
          </LinkButton>
          <LinkButton to={`/jobs/${jobId}/file`} size="glove">
            File it as it stands
          </LinkButton>
        </div>
      </div>
    </Panel>
  )
}
