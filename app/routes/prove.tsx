import { useState } from 'react'
import { Link, redirect } from 'react-router'
import { HoldClock } from '~/components/bay/hold-clock'
import { LinkLine } from '~/components/bay/link-line'
import { ParkDialog } from '~/components/bay/park-dialog'
import { TroubleDialog } from '~/components/bay/trouble-dialog'
import { UndoButton } from '~/components/bay/undo-button'
import { WhatChanged } from '~/components/bay/what-changed'
import { database } from '~/context'
import { findJob } from '~/db/jobs.server'
import { parseDecimal } from '~/lib/fields'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { useJobHere } from '~/run-client/job-here'
import type { FloorAct } from '~/run-client/use-job-run'
import { checksFor, type ProofCheck, proofFact, withinLimit } from '~core/job/proofs/checks'
import { bleedDone } from '~core/job/selectors'
import type { Proof } from '~core/job/state'
import type { Route } from './+types/prove'

export async function loader({ params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  if (!state.run || !bleedDone(state)) throw redirect(`/jobs/${params.jobId}`)
  return null
}

export default function ProvePage() {
  const { state, act, link, refusal, jobId, keeps, waiting } = useJobHere()
  const say = useSay()
  const { run } = state
  const checks = checksFor(state)
  const proved = checks.filter((check) => state.proofs[check.id]?.passed).length
  const failed = checks.filter((check) => state.proofs[check.id]?.passed === false)
  const locked = state.filed !== undefined
  const report = state.troubles.at(-1)
  const back = run !== undefined && !bleedDone(state)
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[3fr_1fr]">
      <title>{`${state.plate}: Prove · Ruddy Siphon`}</title>
      <section className="panel">
        <h1 className="mb-4 text-2xl">Prove it: a firm pedal, measured</h1>
        <ol className="grid gap-3">
          {checks.map((check, i) => (
            <CheckRow
              key={check.id}
              number={i + 1}
              check={check}
              proof={state.proofs[check.id]}
              startedAt={run?.timers[check.id]}
              act={act}
              locked={locked || back}
            />
          ))}
        </ol>
      </section>
      <aside className="panel grid gap-4 lg:sticky lg:top-4">
        <p className="text-4xl font-extrabold">
          {proved} <span className="text-xl font-semibold">of {checks.length} proved</span>
        </p>
        {refusal && (
          <p role="alert" className="fault">
            {refusal}
          </p>
        )}
        {back && (
          <div className="grid gap-3 border-l-8 border-oxide bg-oxide-wash p-3">
            {report ? <WhatChanged report={report} /> : null}
            <p className="font-bold">The job is back at the bleed.</p>
            <Link to={`/jobs/${jobId}/bleed`} className="button button-main min-h-[56px]">
              To the bleed
            </Link>
          </div>
        )}
        {failed.length > 0 && !back && (
          <div className="hatched grid gap-3 border-2 border-oxide p-3">
            <p className="font-bold">
              Failed: {failed.map(({ id }) => say(proofFact(id))).join(', ')}. It does not leave.
            </p>
            {!locked && <WaysOn failed={failed} act={act} />}
          </div>
        )}
        {proved === checks.length && link === 'saved' && !back ? (
          <Link to={`/jobs/${jobId}/file`} className="button button-main">
            All proved: go on to file it
          </Link>
        ) : (
          <Link to={`/jobs/${jobId}/file`} className="button">
            File it as not fit to drive
          </Link>
        )}
        {!locked && run && (
          <>
            <TroubleDialog state={state} run={run} act={act} />
            <ParkDialog state={state} act={act} />
            <UndoButton state={state} act={act} />
          </>
        )}
        <p className="text-sm text-quiet">
          <LinkLine link={link} jobId={jobId} keeps={keeps} waiting={waiting} />
        </p>
      </aside>
    </div>
  )
}

/** Where what failed leads: set right here, mended under its name, bled again, or the fault looked for. */
function WaysOn({ failed, act }: { failed: readonly ProofCheck[]; act: (act: FloorAct) => void }) {
  const ways = new Set(failed.map(({ way }) => way))
  return (
    <>
      {ways.has('set-right') && <p>Set it right where it stands, then check it again.</p>}
      {ways.has('mend-joint') && (
        <p>
          A wet joint: say which under <strong>Something went wrong</strong>. It is mended, and what lies
          beyond it is bled again.
        </p>
      )}
      {ways.has('find-fault') && (
        <p>
          Do not just repeat: look for the cause named beside it, cheapest first. Park the job while you look;
          what you mend is bled again.
        </p>
      )}
      <BleedAgain onWhy={(why) => act({ type: 'bleed-again', why })} />
    </>
  )
}

type RowProps = {
  number: number
  check: ProofCheck
  proof?: Proof
  startedAt?: string
  act: (act: FloorAct) => void
  locked: boolean
}

function CheckRow({ number, check, proof, startedAt, act, locked }: RowProps) {
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
      {!locked && (
        <div className="grid gap-2">
          {holdS !== undefined && heldS === undefined && (
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
            <PassFail title={title} onPass={() => prove(true)} onFail={() => prove(false)} />
          )}
        </div>
      )}
    </li>
  )
}

function PassFail({ title, onPass, onFail }: { title: string; onPass: () => void; onFail: () => void }) {
  return (
    <div className="flex gap-2">
      <button type="button" className="button" onClick={onPass} aria-label={`${title}: holds`}>
        ✓ Holds
      </button>
      <button type="button" className="button" onClick={onFail} aria-label={`${title}: fails`}>
        ✗ Fails
      </button>
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
      <button type="submit" className="button" aria-label={`${say(proofFact(check.id))}: record`}>
        Record
      </button>
      {fault && (
        <span role="alert" className="fault col-span-2">
          Give {measure.unit} from 0 to 500.
        </span>
      )}
    </form>
  )
}

function BleedAgain({ onWhy }: { onWhy: (why: string) => void }) {
  const [why, setWhy] = useState('')
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (why.trim()) onWhy(why.trim())
      }}
    >
      <label className="grid gap-1">
        <span className="field-label">Bleed again, because</span>
        <input className="input" value={why} onChange={(event) => setWhy(event.target.value)} required />
      </label>
      <button type="submit" className="button">
        Bleed again from the first bleeder
      </button>
    </form>
  )
}
