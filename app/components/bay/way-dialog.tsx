import { useMemo, useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { otherWays } from '~core/job/another-way'
import { callOf, currentStage, lookOwed } from '~core/job/points'
import type { JobState } from '~core/job/state'
import { stageTraits } from '~core/plan/stage-kinds'
import { techniqueFact } from '~core/technique/technique'
import { BayDialog } from './bay-dialog'

type Props = { state: JobState; act: (act: FloorAct) => void }

/** The helper was called away, or the pump broke: the work goes on by another way, and what went through counts on. */
export function WayDialog({ state, act }: Props) {
  const { run } = state
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || !stageTraits[stageRun.stage.kind].waysOpen) return null
  const withCab = callOf(stageRun.stage).withCab
  const underWay = run.call !== 'rest' || lookOwed(run)
  return (
    <BayDialog
      trigger={withCab ? 'Nobody in the cab?' : 'Another way from here'}
      title={withCab ? 'Nobody in the cab: how does it go on?' : 'How does it go on?'}
      caution={underWay ? 'Bring this call to its end first: close it, and write down what came.' : undefined}
      wide
    >
      {(close) =>
        underWay ? null : (
          <Ways
            state={state}
            alone={withCab}
            take={(made) => {
              close()
              act(made)
            }}
          />
        )
      }
    </BayDialog>
  )
}

const reasons = [
  'The helper was called away',
  'The pump or machine failed',
  'It will not come clean this way',
]

function Ways({ state, alone, take }: { state: JobState; alone: boolean; take: (act: FloorAct) => void }) {
  const [why, setWhy] = useState(alone ? reasons[0] : undefined)
  const [typed, setTyped] = useState('')
  const said = why ?? typed.trim()
  const say = useSay()
  const { open, closed } = useMemo(() => otherWays(state, !alone), [state, alone])
  return (
    <div className="grid gap-4">
      <fieldset>
        <legend className="field-label">Why? It stays in the record</legend>
        <div className="grid gap-2 sm:grid-cols-3">
          {reasons.map((each) => (
            <Button
              key={each}
              size="finger"
              chosen={each === why}
              onClick={() => setWhy(each === why ? undefined : each)}
            >
              {each}
            </Button>
          ))}
        </div>
        {why === undefined && (
          <input
            aria-label="Another reason"
            placeholder="Another reason"
            className="input mt-2 min-h-[56px] w-full"
            maxLength={500}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
      </fieldset>
      <fieldset disabled={said === ''}>
        <legend className="field-label">
          {open.length > 0 ? 'Go on by' : 'No other way is open to this vehicle in this shop.'}
        </legend>
        <div className="grid gap-2 sm:grid-cols-2">
          {open.map(({ technique, minutes }) => (
            <Button
              key={technique.id}
              className="min-h-[88px] flex-col items-start text-left"
              onClick={() => take({ type: 'way-changed', technique: technique.id, alone, why: said })}
            >
              <span className="text-lg">{say(techniqueFact(technique))}</span>
              <span className="text-sm font-normal text-quiet">
                {say({ code: `technique-${technique.id}-why` })} About{' '}
                {Math.round(minutes.fluidMinutes + minutes.handlingMinutes)} min for the whole stage.
              </span>
            </Button>
          ))}
        </div>
      </fieldset>
      <p className="text-quiet">
        What went through counts on. Each bleeder that is not finished is prepared anew.
      </p>
      {closed.length > 0 && (
        <details>
          <summary className="font-bold">Not open here: {closed.length}</summary>
          <ul className="mt-1 grid list-disc gap-1 pl-5">
            {closed.map(({ technique, why: closedWhy }) => (
              <li key={technique.id}>
                {say(techniqueFact(technique))}: {say(closedWhy)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  )
}
