import { Link } from 'react-router'
import { counted, upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { type Amount, useFieldText, useShow, useUnits } from '~/lib/units'
import type { FloorAct } from '~/run-client/use-job-run'
import type { Phone } from '~core/cab/agree'
import { lookMarks } from '~core/job/bottle'
import { bottlesAtOnce } from '~core/job/bottles'
import { restS } from '~core/job/findings/froth'
import { levelFirst, perPullMl, pourSoon, reservoirNamed } from '~core/job/levels'
import { lookFirst, lookOffered, lookSpeaksFor } from '~core/job/looks'
import {
  bleederRunOf,
  callKindOf,
  currentPoint,
  currentStage,
  freshPoint,
  lookOwed,
  looksAfterPull,
  pointFact,
  pointWants,
} from '~core/job/points'
import { runsOn } from '~core/job/runs-on'
import { bleedDone } from '~core/job/selectors'
import { jointToShut, renews } from '~core/job/standing'
import type { JobState, RunState, StageRunState } from '~core/job/state'
import { amountToMove, currentStep, pointClosing, pointPreparation } from '~core/job/steps'
import { stageTraits } from '~core/plan/stage-kinds'
import { callMachines } from '~core/technique/calls'
import { stepPrompts, unitPrompts } from '~core/technique/calls/unit-prompts'
import { mindFact, type Step, stepFact } from '~core/technique/step'
import { AmountForm } from './amount-form'
import { BayDialog } from './bay-dialog'
import { BigLine, GoOn } from './big-line'
import { Bottles } from './bottles'
import { CallPanel } from './call-panel'
import { HoldButton } from './hold-button'
import { HoldClock, WaitClock } from './hold-clock'
import { JointsList } from './joints-list'
import { LevelPanel } from './level-panel'
import { LookPanel } from './look-panel'
import { usePressByItself } from './press-by-itself'
import { Prompts } from './prompts'
import { ShutPanel } from './shut-panel'
import { TopUp } from './top-up'
import { WaitButton } from './wait-button'

type Act = (act: FloorAct) => void
type Props = {
  state: JobState
  run: RunState
  jobId: string
  /** Whether the server has every act; the next station asks the server. */
  saved: boolean
  act: Act
  /** How the phone in the cab stands. */
  phone: Phone
}

/** What is to be done now, whatever it is: a level to look at, a step, a point to prepare, the call, a look, or the way to the proof. */
export function BayWork({ state, run, jobId, saved, act, phone }: Props) {
  const stageRun = currentStage(run)
  const left = jointToShut({ ...state, run })
  if (left) return <ShutPanel key={left.point} state={state} joint={left} act={act} />
  const unseen = levelFirst({ ...state, run })
  const reservoir = unseen === undefined ? undefined : reservoirNamed(state, unseen)
  if (reservoir)
    return <LevelPanel key={reservoir.id} vehicle={state.vehicle} reservoir={reservoir} act={act} />
  const now = currentStep({ run, standing: state.standing })
  if (now)
    return (
      <StepPanel
        key={now.step.id}
        step={now.step}
        startedAt={run.timers[now.step.id]}
        mending={now.mend !== undefined}
        away={now.away}
        state={state}
        act={act}
      />
    )
  if (bleedDone(state)) return <ToTheProof jobId={jobId} saved={saved} />
  const point = currentPoint(run)
  if (point === undefined || !stageRun) return null
  return <PointPanel state={state} run={run} stageRun={stageRun} point={point} act={act} phone={phone} />
}

function ToTheProof({ jobId, saved }: { jobId: string; saved: boolean }) {
  return (
    <div className="grid gap-5">
      <BigLine who="The bleed is finished">Now prove it.</BigLine>
      {saved ? (
        <Link to={`/jobs/${jobId}/prove`} className="button button-main min-h-[96px] text-2xl" data-go-on>
          Go on to the proof
        </Link>
      ) : (
        <p className="text-2xl">The last acts are not saved yet: wait for the line below.</p>
      )}
    </div>
  )
}

const who = { wheel: 'At the wheel', cab: 'In the cab', tool: 'At the scan tool', desk: 'At the desk' }

type StepProps = {
  step: Step
  startedAt?: string
  mending: boolean
  /** What stands in the way, and is taken away by this. */
  away?: string
  state: JobState
  act: Act
}

function StepPanel({ step, startedAt, mending, away, state, act }: StepProps) {
  const amounts = { poured: ['Poured in', 'Poured'], drawn: ['Drawn out', 'Drawn out'] } as const
  const text = useFieldText()
  const say = useSay()
  const mind = say(mindFact(step))
  const planned = amountToMove(state, step)
  const done = (more: Partial<Amount> & { heldS?: number } = {}) =>
    act(
      away === undefined ? { type: 'step-done', step: step.id, ...more } : { type: 'put-away', thing: away },
    )
  const renewed = renews(step)
  const why = (away !== undefined && ': this still stands') || (mending && ': mend this first') || ''
  return (
    <div className="grid gap-5">
      <BigLine who={`${who[step.who]}${why}`}>{say(stepFact(step))}</BigLine>
      {mind !== '' && <p className="text-2xl">{mind}</p>}
      {state.run && !mending && currentStage(state.run)?.stage.kind === 'control-unit' && (
        <Prompts prompts={stepPrompts(step)} />
      )}
      {state.run && !mending && looksAtJoints(state.run) && <JointsList state={state} act={act} />}
      {step.waitS !== undefined && <StepWait step={step} startedAt={startedAt} act={act} />}
      {step.holdS !== undefined ? (
        <HoldClock
          holdS={step.holdS}
          startedAt={startedAt}
          onStart={() => act({ type: 'timer-started', timer: step.id })}
          onDone={(heldS) => done({ heldS })}
        />
      ) : step.asksMl ? (
        <AmountForm
          label={amounts[step.asksMl][0]}
          button={amounts[step.asksMl][1]}
          first={planned === undefined ? '' : text('volume', Math.round(planned))}
          onAmount={done}
        />
      ) : renewed !== undefined && state.standing.open.some(({ point }) => point === renewed) ? (
        <HoldButton label={`${renewed} is shut and sound`} onHeld={() => done()} />
      ) : (
        <GoOn onClick={() => done()}>Done</GoOn>
      )}
    </div>
  )
}

const looksAtJoints = (run: RunState): boolean => {
  const stage = currentStage(run)?.stage
  return stage !== undefined && stageTraits[stage.kind].looksAtJoints === true
}

function StepWait({ step, startedAt, act }: { step: Step; startedAt?: string; act: Act }) {
  if (startedAt !== undefined) return <WaitClock startedAt={startedAt} waitS={step.waitS ?? 0} />
  return (
    <button
      type="button"
      className="button min-h-[72px]"
      onClick={() => act({ type: 'timer-started', timer: step.id })}
    >
      Start the clock: usually {Math.round((step.waitS ?? 0) / 60)} min
    </button>
  )
}

type PointProps = Omit<Props, 'jobId' | 'saved'> & { stageRun: StageRunState; point: string }

function PointPanel({ state, run, stageRun, point, act: record, phone }: PointProps) {
  const { vehicle } = state
  const { act, byItself } = usePressByItself(state, phone, record)
  const progress = stageRun.at[point] ?? freshPoint()
  const say = useSay()
  const show = useShow()
  const scale = useUnits().volume
  const joint = say(pointFact(vehicle, point))
  const atRest = run.call === 'rest' && !lookOwed(run)
  if (atRest && !progress.ready) {
    const [first, ...then] = pointPreparation(vehicle, stageRun.stage, point)
    return (
      <div className="grid gap-5">
        <BigLine who={progress.trouble ? `Next: ${joint}, found ${progress.trouble}` : `Next: ${joint}`}>
          {first && say(first)}
        </BigLine>
        {then.map((line) => (
          <p key={line.code} className="text-2xl">
            {say(line)}
          </p>
        ))}
        <GoOn onClick={() => act({ type: 'point-ready', point })}>
          {bleederRunOf(vehicle, point) ? 'Hose is on' : 'Ready'}
        </GoOn>
      </div>
    )
  }
  const kind = callKindOf(stageRun.stage)
  const { looks } = callMachines[kind]
  const pulled = looksAfterPull(stageRun.stage)
  const since = run.lookDue
    ? `Closed. What came at ${joint} since the last look?`
    : 'What came since the last look?'
  const { pulls, lastPulls } = lookSpeaksFor({ ...state, run })
  const brought = pulls > 1 ? `What did the last ${pulls} pulls bring?` : 'What did the pull bring?'
  const lookTitle = pulled ? brought : since
  const on = runsOn({ ...state, run })
  const asked = {
    title: lookTitle,
    usualMl: pulled ? perPullMl(vehicle, stageRun, point) : (on?.ml ?? 30),
    pulls,
    lastPulls,
    bottleMl: run.bottleMl,
    // What has not come out yet looks as it was found.
    lastColour: progress.colour ?? state.checkIn?.colour,
    asks: { ml: looks.ml, colour: looks.colour },
  }
  const look = <LookPanel key={`${point} ${progress.pulls}`} {...asked} act={act} />
  if (lookFirst({ ...state, run }))
    return (
      <div className="grid gap-5">
        {look}
        <WaitButton byItself={byItself} />
      </div>
    )
  if (run.call === 'rest' && pointWants(vehicle, stageRun, point).done)
    return (
      <div className="grid gap-5">
        <BigLine who={`${upperFirst(joint)} is done`}>
          {say(pointClosing(vehicle, stageRun.stage, point))}
        </BigLine>
        <GoOn onClick={() => act({ type: 'point-finished', point })}>
          {bleederRunOf(vehicle, point) ? 'Tight, cap on: next' : 'Done: next'}
        </GoOn>
      </div>
    )
  const pour = kind === 'bench' ? undefined : pourSoon(state)
  const soon = pour?.code === 'top-up-soon'
  const blocked = pour && !soon ? say(pour) : undefined
  const severalBottles = bottlesAtOnce(state) > 1
  const runsLow = !pulled && run.call === 'open' && blocked !== undefined
  return (
    <div className="grid gap-5">
      {runsLow && (
        <p role="alert" className="hatched border-4 border-oxide p-3 text-2xl font-extrabold">
          The reservoir is near MIN: pour now, or close it.
        </p>
      )}
      {runsLow && <TopUp state={state} act={act} />}
      <CallPanel
        // A finger that still holds what closed one bottle must not close the next.
        key={severalBottles ? point : kind}
        kind={kind}
        run={run}
        joint={joint}
        blocked={blocked}
        before={pour && soon ? say(pour) : undefined}
        act={act}
        turn={state.callTurn ?? 0}
        phone={phone}
        restS={state.planned && restS(state.planned)}
      >
        {run.call === 'rest' && (soon || pour?.code === 'top-up-due') && <TopUp state={state} act={act} />}
      </CallPanel>
      {run.call !== 'rest' && <WaitButton byItself={byItself} />}
      {pulled && lookOffered(run) && (
        <BayDialog
          trigger={`Look now: ${counted(pulls, 'pull')} not written down`}
          title={`${upperFirst(joint)}, before it is asked for`}
        >
          {(close) => (
            <LookPanel
              {...asked}
              act={(made) => {
                act(made)
                close()
              }}
            />
          )}
        </BayDialog>
      )}
      {severalBottles && run.call === 'open' && (
        <Bottles state={{ ...state, run }} stageRun={stageRun} act={act} />
      )}
      {kind === 'unit' && <Prompts prompts={unitPrompts(run.call, pointFact(vehicle, point))} />}
      {on && !runsLow && (
        <p className="border-l-8 border-ink pl-3 text-2xl">
          Let it run to{' '}
          <strong>{show('volume', lookMarks(run.bottleMl, on.ml, 1, scale).usual.markMl)}</strong> in the
          bottle
          {on.nearMin ? ': the reservoir is near MIN by then. Look, then top up.' : ', then look.'}
        </p>
      )}
      {!pulled && run.call === 'open' && look}
    </div>
  )
}
