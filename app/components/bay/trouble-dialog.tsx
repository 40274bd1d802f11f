import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { useSay } from '~/lib/say'
import { type Amount, useReadAmount, useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { fluidSpecs } from '~core/fluid/specs'
import { callOf, currentPoint, currentStage, pointFact } from '~core/job/points'
import { fluidIn } from '~core/job/selectors'
import type { JobState, RunState } from '~core/job/state'
import { asksOf, type TroubleId, troubleIds, troubleSchema } from '~core/job/troubles'
import { routineSteps, routineStops } from '~core/job/troubles/routine-stopped'
import { spillPlaces } from '~core/job/troubles/spilled'
import { partsOf } from '~core/vehicle/parts'
import type { Say } from '~core/words'
import { BayDialog } from './bay-dialog'

type Props = { state: JobState; run: RunState; act: (act: FloorAct) => void }

/** The way out of every step: what went wrong, by name. Nothing is skipped, nothing is ticked that is not so. */
export function TroubleDialog({ state, run, act }: Props) {
  const [what, setWhat] = useState<TroubleId>()
  const say = useSay()
  return (
    <BayDialog
      trigger="✗ Something went wrong"
      title={what ? say({ code: `trouble-${what}-title` }) : 'What went wrong?'}
      wide
    >
      {(close) =>
        what === undefined ? (
          <div className="grid gap-2 sm:grid-cols-2">
            {troubleIds
              .filter((id) => id !== 'routine-stopped' || underRoutine(run))
              .map((id) => (
                <Button key={id} size="glove" className="justify-start text-lg" onClick={() => setWhat(id)}>
                  {say({ code: `trouble-${id}-title` })}
                </Button>
              ))}
            <p className="text-quiet sm:col-span-2">
              {besideTheCall(run)} Wrong vehicle: under Job, at the top.
            </p>
          </div>
        ) : (
          <TroubleForm
            what={what}
            state={state}
            run={run}
            onBack={() => setWhat(undefined)}
            onSaid={(trouble, typed) => {
              close()
              setWhat(undefined)
              act({ type: 'trouble', trouble, ...(typed && { typed }) })
            }}
          />
        )
      }
    </BayDialog>
  )
}

/** What may go wrong in the call under the hands has a button of its own there; what cannot is not spoken of. */
function besideTheCall(run: RunState): string {
  const stageRun = currentStage(run)
  if (!stageRun || stageRun.points.length === 0) return ''
  const steps = Object.values(callOf(stageRun.stage).states)
  const mishaps = new Set(steps.flatMap(({ next }) => next.flatMap(({ act, mishap }) => (mishap ? act : []))))
  const what = [
    mishaps.has('foot-slipped') && 'a foot that slipped',
    mishaps.has('hose-came-off') && 'a hose that came off',
  ].filter((each) => typeof each === 'string')
  if (what.length === 0) return ''
  return `Beside the call, while it stands open: ${what.join(' and ')}.`
}

/** A routine of the unit can break off only where one is under way. */
const underRoutine = (run: RunState): boolean => {
  const stage = currentStage(run)?.stage
  return stage !== undefined && routineSteps(stage).length > 0
}

type Field =
  | { legend: string; options: { value: string; label: string }[] }
  | { legend: string; number: true }

/** How each thing a trouble may ask is asked; a new trouble that asks the same needs nothing here. */
function fieldOf(key: string, state: JobState, run: RunState, say: Say): Field | undefined {
  const { vehicle } = state
  const goesIn = fluidIn(state)
  const point = currentPoint(run)
  const worked = run.stages.slice(0, run.stageIndex + 1).flatMap((stageRun) => stageRun.points)
  const points = [...new Set([...(point ? [point] : []), ...worked])]
  const choose = (legend: string, pairs: [string, string][]): Field => ({
    legend,
    options: pairs.map(([value, label]) => ({ value, label })),
  })
  switch (key) {
    case 'point':
      return choose(
        'Which one?',
        points.map((id) => [id, say(pointFact(vehicle, id))]),
      )
    case 'line':
      return choose(
        'Where?',
        vehicle.lines.flatMap(({ id }): [string, string][] => (id ? [[id, id]] : [])),
      )
    case 'reservoir':
      return choose(
        'Which reservoir?',
        partsOf(vehicle, 'reservoir').map(({ id }) => [id, id]),
      )
    case 'on':
      return choose(
        'On what?',
        spillPlaces.map((place) => [place, spillNames[place]]),
      )
    case 'spec':
      return choose('What was it?', [
        ...fluidSpecs
          .filter((spec) => spec !== goesIn)
          .map((spec): [string, string] => [spec, spec === 'mineral' ? 'Mineral oil' : spec]),
        ['unknown', 'Not known'],
      ])
    case 'moved':
      return choose('Since then, was a pedal pressed or a bleeder opened?', [
        ['no', 'No: it is in the reservoir alone'],
        ['yes', 'Yes, or not sure'],
      ])
    case 'why':
      return choose(
        'What happened?',
        routineStops.map((why) => [why, stopNames[why]]),
      )
    case 'ml':
      return { legend: 'About how much', number: true }
    default:
      return undefined
  }
}

const stopNames = {
  'tool-died': 'The tool went dark, or lost its connection',
  'pump-runs-on': 'Its pump does not stop',
  'door-opened': 'A door opened, or the key came near',
  'battery-low': 'The battery fell',
  refused: 'The unit refuses to go on',
} satisfies Record<(typeof routineStops)[number], string>

const spillNames = {
  floor: 'The floor',
  paint: 'Paint',
  pads: 'Pads, shoes, a disc or a drum',
} satisfies Record<(typeof spillPlaces)[number], string>

type FormProps = Omit<Props, 'act'> & {
  what: TroubleId
  onBack: () => void
  onSaid: (trouble: ReturnType<typeof troubleSchema.parse>, typed?: Amount['typed']) => void
}

function TroubleForm({ what, state, run, onBack, onSaid }: FormProps) {
  const keys = asksOf(what)
  const say = useSay()
  const [faults, setFaults] = useState<Record<string, string>>({})
  const readAmount = useReadAmount()
  const show = useShow()
  function submit(event: React.FormEvent<HTMLFormElement>) {
    event.preventDefault()
    const said = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>
    const amount = said.ml === undefined ? undefined : readAmount(said.ml)
    const read = troubleSchema.safeParse({
      ...said,
      what,
      ...('ml' in said ? { ml: amount?.ml } : {}),
      ...('moved' in said ? { moved: said.moved === 'yes' } : {}),
    })
    if (read.success) return onSaid(read.data, amount?.typed)
    setFaults(Object.fromEntries(read.error.issues.map(({ path, message }) => [String(path[0]), message])))
  }
  return (
    <form onSubmit={submit} className="grid gap-4">
      {keys.map((key) => {
        const field = fieldOf(key, state, run, say)
        if (!field) return null
        const fault = faults[key]
        const faultId = fault ? `trouble-${key}` : undefined
        if ('number' in field)
          return (
            <label key={key} className="grid gap-1">
              <span className="field-label">
                {field.legend}, {show.unit('volume')}
              </span>
              <input
                name={key}
                className="input min-h-[72px] text-2xl"
                inputMode="decimal"
                autoComplete="off"
                aria-invalid={fault !== undefined}
                aria-describedby={faultId}
              />
              {fault && <Fault id={faultId}>{fault}</Fault>}
            </label>
          )
        const [only, ...more] = field.options
        if (only && more.length === 0) return <input key={key} type="hidden" name={key} value={only.value} />
        return (
          <fieldset key={key} aria-describedby={faultId}>
            <legend className="field-label">{field.legend}</legend>
            <div className="grid gap-2 sm:grid-cols-2">
              {field.options.map(({ value, label }) => (
                <label key={value} className="choice min-h-[72px]">
                  <input type="radio" name={key} value={value} />
                  <span className="wrap-anywhere">{label}</span>
                </label>
              ))}
            </div>
            {fault && <Fault id={faultId}>{fault}</Fault>}
          </fieldset>
        )
      })}
      <div className="grid grid-cols-[1fr_2fr] gap-2">
        <Button size="glove" onClick={onBack}>
          Something else
        </Button>
        <Button type="submit" main size="glove" className="text-xl">
          Record it
        </Button>
      </div>
    </form>
  )
}

function Fault({ id, children }: { id?: string; children: string }) {
  return (
    <p id={id} role="alert" className="fault">
      {children.charAt(0).toUpperCase()}
      {children.slice(1)}.
    </p>
  )
}
