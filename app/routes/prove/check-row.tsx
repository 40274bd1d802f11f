import { type ReactNode, useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { HoldClock } from '~/components/bay/hold-clock'
import { parseDecimal } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import type { notAtMax } from '~core/job/levels'
import { type ProofCheck, proofFact, withinLimit } from '~core/job/proofs/checks'
import type { Proof } from '~core/job/state'
import type { Vehicle } from '~core/vehicle/schema'
import { NutStar } from './nut-star'
import { ToMax } from './to-max'

type RowProps = {
  number: number
  check: ProofCheck
  proof?: Proof
  startedAt?: string
  act: (act: FloorAct) => void
  locked: boolean
  /** Reservoirs that by count do not stand at MAX, where this check says that they do. */
  off: ReturnType<typeof notAtMax>
  vehicle: Vehicle
  /** What it rests on and has not passed yet: until then it can only fail. */
  first: readonly ProofCheck[]
  /** What it says that can be looked at one by one. */
  more?: ReactNode
}

/** One proof: what to do, what was found, and where it failed what was done about it. */
export function CheckRow({
  number,
  check,
  proof,
  startedAt,
  act,
  locked,
  off,
  vehicle,
  first,
  more,
}: RowProps) {
  const state = proof === undefined ? 'open' : proof.passed ? 'passed' : 'failed'
  const { measure, holdS } = check
  const say = useSay()
  const title = say(proofFact(check.id))
  /** Held long enough, and how long; the measure or the verdict comes after it. */
  const [heldS, setHeldS] = useState<number>()
  const [remedy, setRemedy] = useState('')
  const [remedyMissing, setRemedyMissing] = useState(false)
  const prove = (passed: boolean, value?: number) => {
    const again = state === 'failed' && passed
    setRemedyMissing(again && remedy.trim() === '')
    if (again && remedy.trim() === '') return
    const done = again ? { remedy: remedy.trim() } : {}
    act({ type: 'check-proved', check: check.id, passed, value, heldS, note: '', ...done })
    setHeldS(undefined)
    setRemedy('')
  }
  return (
    <li
      className={`grid items-center gap-3 border-2 bg-enamel p-3 md:grid-cols-[2.5rem_1fr_minmax(0,auto)] ${state === 'failed' ? 'border-oxide' : 'border-rule'}`}
    >
      <span
        className={`grid size-10 place-items-center border-2 border-ink text-xl font-extrabold ${state === 'passed' ? 'bg-ink text-sheet' : state === 'failed' ? 'bg-oxide text-on-oxide' : ''}`}
      >
        <span aria-hidden="true">{{ open: number, passed: '✓', failed: '✗' }[state]}</span>
        <span className="sr-only">{{ open: 'open', passed: 'passed', failed: 'failed' }[state]}</span>
      </span>
      <div>
        <h2 className="font-bold">{title}</h2>
        <p>{say({ code: `proof-${check.id}-how` })}</p>
        {check.wheelNuts && vehicle.wheels && <NutStar wheels={vehicle.wheels} />}
        {state !== 'passed' && more}
        {measure && proof?.value !== undefined && (
          <p className="text-sm">
            {say({ code: `proof-${check.id}-measure` })} {proof.value} {measure.unit}, at most {measure.max}.
          </p>
        )}
        {state === 'failed' && <p className="fault">{say({ code: `proof-${check.id}-fails` })}</p>}
        {proof?.remedy && <p className="text-sm">Failed before, then: {proof.remedy}</p>}
        {state === 'failed' && !locked && (
          <label className="mt-2 grid gap-1">
            <span className="field-label">What was done about it, before it is checked again</span>
            <input
              className="input"
              value={remedy}
              maxLength={2000}
              onChange={(event) => setRemedy(event.target.value)}
              aria-invalid={remedyMissing}
            />
            {remedyMissing && (
              <span role="alert" className="fault">
                It failed: write down what was done about it first.
              </span>
            )}
          </label>
        )}
      </div>
      {!locked && off.length > 0 && (
        <div className="grid gap-4">
          {off.map(({ reservoir, missingMl }) => (
            <ToMax key={reservoir} vehicle={vehicle} reservoir={reservoir} missingMl={missingMl} act={act} />
          ))}
        </div>
      )}
      {!locked && off.length === 0 && (
        <div className="grid gap-2">
          {first.length > 0 && state !== 'passed' && (
            <p className="max-w-[18rem] text-sm font-bold">
              First: {first.map(({ id }) => say(proofFact(id))).join(', ')}.
            </p>
          )}
          {holdS !== undefined && heldS === undefined && first.length === 0 && (
            <HoldClock
              holdS={holdS}
              startedAt={startedAt}
              onStart={() => act({ type: 'timer-started', timer: check.id })}
              onDone={setHeldS}
              doneLabel={`Held ${holdS} s`}
              large={false}
            />
          )}
          {heldS !== undefined && <p className="font-bold">Held {holdS} s. Now say how it stood.</p>}
          {measure ? (
            <MeasureForm
              check={check}
              measure={measure}
              onValue={(value) => prove(withinLimit(check, value), value)}
            />
          ) : (
            <PassFail
              title={title}
              onPass={first.length === 0 ? () => prove(true) : undefined}
              onFail={() => prove(false)}
            />
          )}
        </div>
      )}
    </li>
  )
}

function PassFail({ title, onPass, onFail }: { title: string; onPass?: () => void; onFail: () => void }) {
  return (
    <div className="flex gap-2">
      {onPass && (
        <Button onClick={onPass} aria-label={`${title}: holds`}>
          ✓ Holds
        </Button>
      )}
      <Button onClick={onFail} aria-label={`${title}: fails`}>
        ✗ Fails
      </Button>
    </div>
  )
}

function MeasureForm({
  check,
  measure,
  onValue,
}: {
  check: ProofCheck
  measure: NonNullable<ProofCheck['measure']>
  onValue: (value: number) => void
}) {
  const say = useSay()
  const [text, setText] = useState('')
  const [fault, setFault] = useState(false)
  function submit(event: React.FormEvent) {
    event.preventDefault()
    const value = parseDecimal(text)
    const good = typeof value === 'number' && value >= 0 && value <= 500
    setFault(!good)
    if (good) onValue(value)
  }
  return (
    <form onSubmit={submit} className="grid grid-cols-[13rem_auto] items-end gap-2">
      <label className="grid gap-1">
        <span className="text-sm">
          {say({ code: `proof-${check.id}-measure` })}, {measure.unit} (at most {measure.max}
          {measure.basis === 'default' ? ', shop default' : ', as near as a rule is read'})
        </span>
        <input
          className="input"
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          aria-invalid={fault}
        />
      </label>
      <Button type="submit" aria-label={`${say(proofFact(check.id))}: record`}>
        Record
      </Button>
      {fault && (
        <span role="alert" className="fault col-span-2">
          Give {measure.unit} from 0 to 500.
        </span>
      )}
    </form>
  )
}
