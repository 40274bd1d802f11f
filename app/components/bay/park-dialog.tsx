import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { mayTieLever } from '~core/job/parking'
import { callOf, currentStage, pointFact, routedBleederOf } from '~core/job/points'
import { allOpen, standsUp } from '~core/job/standing'
import type { JobState } from '~core/job/state'
import { allBleeders, partsOf } from '~core/vehicle/parts'
import { BayDialog } from './bay-dialog'

/** Leave the job for now: what stands open is named, so that whoever goes on finds it as it is. */
export function ParkDialog({
  state,
  act,
  triggerClass = '',
}: {
  state: JobState
  act: (act: FloorAct) => void
  triggerClass?: string
}) {
  const { run } = state
  const stageRun = run && currentStage(run)
  const open = allOpen(state)
  // Joints that may stand open though nobody recorded it: those of this vehicle, the ones under work first.
  const others = [...new Set([...(stageRun?.points ?? []), ...jointsOf(state)])].filter(
    (id) => !open.includes(id),
  )
  const withCab = stageRun !== undefined && callOf(stageRun.stage).withCab
  const [fault, setFault] = useState(false)
  function submit(event: React.FormEvent<HTMLFormElement>, close: () => void) {
    event.preventDefault()
    const said = new FormData(event.currentTarget)
    const why = String(said.get('why')).trim()
    setFault(why === '')
    if (why === '') return
    close()
    act({
      type: 'parked',
      why,
      standsOpen: said.getAll('standsOpen').map(String),
      machineOn: said.get('machineOn') === 'on',
      pedalPropped: said.get('pedalPropped') === 'on',
      ...(said.get('leverTied') === 'on' && { leverTied: true }),
      note: String(said.get('note')).trim(),
    })
  }
  return (
    <BayDialog
      trigger="Park this job"
      title={`Park ${state.plate}: how does it stand?`}
      triggerClass={triggerClass}
      caution={
        open.length === 0
          ? undefined
          : withCab
            ? `${open.join(', ')} is recorded open. Close it first, unless the pedal is propped down.`
            : `${open.join(', ')}: recorded open.`
      }
      wide
    >
      {(close) => (
        <form onSubmit={(event) => submit(event, close)} className="grid gap-4">
          <label className="grid gap-1">
            <span className="field-label">Why</span>
            <input
              name="why"
              className="input min-h-[56px]"
              autoComplete="off"
              maxLength={2000}
              aria-invalid={fault}
            />
            {fault && (
              <span role="alert" className="fault">
                Say why, for whoever finds it.
              </span>
            )}
          </label>
          {open.length > 0 && <Joints state={state} legend="What stands open?" ids={open} open />}
          <details>
            <summary className="font-bold">
              {open.length > 0 ? 'Something else stands open too' : 'Something stands open'}
            </summary>
            <Joints state={state} legend="Which?" ids={others} open={false} />
          </details>
          <div className="grid gap-2 sm:grid-cols-2">
            <label className="choice min-h-[72px]">
              <input type="checkbox" name="machineOn" defaultChecked={standsUp(state, 'pressure')} />
              The machine’s pressure is on
            </label>
            <label className="choice min-h-[72px]">
              <input type="checkbox" name="pedalPropped" defaultChecked={standsUp(state, 'prop')} />
              The pedal is propped down
            </label>
            {(mayTieLever(state) || standsUp(state, 'lever-tied')) && (
              <label className="choice min-h-[72px] sm:col-span-2">
                <input type="checkbox" name="leverTied" defaultChecked={standsUp(state, 'lever-tied')} />
                The lever is tied to its grip overnight: small bubbles rise, and it proves nothing
              </label>
            )}
          </div>
          <label className="grid gap-1">
            <span className="field-label">What else whoever goes on must know</span>
            <textarea name="note" className="input" rows={2} maxLength={2000} />
          </label>
          <Button type="submit" main size="glove" className="text-xl">
            Park it
          </Button>
        </form>
      )}
    </BayDialog>
  )
}

/** Every joint that may stand open: bleeders, and the ports of cylinders. */
const jointsOf = ({ vehicle }: JobState): string[] => [
  ...allBleeders(vehicle).map(({ bleeder }) => bleeder.id),
  ...partsOf(vehicle, 'master-cylinder').flatMap(({ chambers }) => chambers.map(({ id }) => id)),
]

type JointsProps = { state: JobState; legend: string; ids: readonly string[]; open: boolean }

function Joints({ state: { vehicle }, legend, ids, open }: JointsProps) {
  const say = useSay()
  return (
    <fieldset>
      <legend className="field-label">{legend}</legend>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {ids.map((id) => (
          <label key={id} className="choice min-h-[72px]">
            <input type="checkbox" name="standsOpen" value={id} defaultChecked={open} />{' '}
            {routedBleederOf(vehicle, id) ? id : say(pointFact(vehicle, id))}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
