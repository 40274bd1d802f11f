import type { ScaleHere } from '~/client/job/use-bottle-scale'
import type { FloorAct } from '~/client/job/use-job-run'
import { useSay } from '~/lib/say'
import { type Amount, useFieldText } from '~/lib/units'
import { Button, LinkButton } from '~/ui/button'
import { Notice } from '~/ui/notice'
import type { Phone } from '~core/cab/agree'
import { levelFirst, reservoirNamed } from '~core/job/levels'
import { currentPoint, currentStage } from '~core/job/points'
import { bleedDone } from '~core/job/selectors'
import { jointToShut, renews, standsUp } from '~core/job/standing'
import type { JobState, RunState } from '~core/job/state'
import { amountToMove, currentStep } from '~core/job/steps'
import { mayNotPower } from '~core/job/unit-ledger'
import { stageTraits } from '~core/plan/stage-kinds'
import { techniqueOf } from '~core/technique'
import { stepPrompts } from '~core/technique/calls/unit-prompts'
import { takesAway, UNPLUGGED_UNIT } from '~core/technique/standing'
import { mindFact, type Step, stepFact } from '~core/technique/step'
import { AmountForm } from './amount-form'
import { AwaitClock } from './await-clock'
import { BigLine, GoOn } from './big-line'
import { goesOn } from './goes-on'
import { HoldButton } from './hold-button'
import { HoldClock, WaitClock } from './hold-clock'
import { JointsList } from './joints-list'
import { LevelPanel } from './level-panel'
import { MainAct } from './now-panel'
import { PointPanel } from './point-panel'
import { Prompts } from './prompts'
import { ShutPanel } from './shut-panel'
import { ToolRuns } from './tool-runs'

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
  /** The scale under the bottle, where the bay has one. */
  scale?: ScaleHere
}

/** What is to be done now, whatever it is: a level to look at, a step, a point to prepare, the call, a look, or the way to the proof. */
export function BayWork({ state, run, jobId, saved, act, phone, scale }: Props) {
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
        jobId={jobId}
        state={state}
        act={act}
      />
    )
  if (bleedDone(state)) return <ToTheProof jobId={jobId} saved={saved} />
  const point = currentPoint(run)
  if (point === undefined || !stageRun) return null
  return (
    <PointPanel
      state={state}
      run={run}
      stageRun={stageRun}
      point={point}
      act={act}
      phone={phone}
      scale={scale}
    />
  )
}

function ToTheProof({ jobId, saved }: { jobId: string; saved: boolean }) {
  return (
    <div className="grid gap-5">
      <BigLine who="The bleed is finished">Now prove it.</BigLine>
      {saved ? (
        <MainAct>
          <LinkButton to={`/jobs/${jobId}/prove`} main size="call" className="w-full" ref={goesOn}>
            Go on to the proof
          </LinkButton>
        </MainAct>
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
  jobId: string
  state: JobState
  act: Act
}

function StepPanel({ step, startedAt, mending, away, jobId, state, act }: StepProps) {
  const amounts = { poured: ['Poured in', 'Poured'], drawn: ['Drawn out', 'Drawn out'] } as const
  const text = useFieldText()
  const say = useSay()
  const mind = say(mindFact(step))
  const planned = amountToMove(state, step)
  const done = (more: Partial<Amount> & { heldS?: number; awaited?: string; tookS?: number } = {}) =>
    act(
      away === undefined ? { type: 'step-done', step: step.id, ...more } : { type: 'put-away', thing: away },
    )
  const renewed = renews(step)
  const why = (away !== undefined && ': this still stands') || (mending && ': mend this first') || ''
  return (
    <div className="grid gap-5">
      <BigLine who={`${who[step.who]}${why}`}>{say(stepFact(step))}</BigLine>
      {mind !== '' && <p className="text-2xl">{mind}</p>}
      {state.run && !mending && looksAtJoints(state.run) && <JointsList state={state} act={act} />}
      {takesAway(step) === UNPLUGGED_UNIT && <UnitGate state={state} jobId={jobId} />}
      {step.waitS !== undefined && <StepWait step={step} startedAt={startedAt} act={act} />}
      {step.holdS !== undefined ? (
        <HoldClock
          holdS={step.holdS}
          startedAt={startedAt}
          onStart={() => act({ type: 'timer-started', timer: step.id })}
          onDone={(heldS) => done({ heldS })}
        />
      ) : step.awaits !== undefined || step.leastS !== undefined ? (
        <AwaitClock
          step={step}
          startedAt={startedAt}
          onStart={() => act({ type: 'timer-started', timer: step.id })}
          onCame={(tookS) => done({ awaited: step.awaits, tookS })}
          routine={step.who === 'tool' ? routineHere(state) : undefined}
          act={act}
        />
      ) : step.calibrates !== undefined && !mending ? (
        <div className="grid gap-3">
          <ToolRuns
            asked={{ ask: 'calibrate', what: step.calibrates }}
            label="Let the tool calibrate it"
            onRuns={() => undefined}
            onDone={() => done()}
            act={act}
          />
          <GoOn onClick={() => done()}>Done: the tool’s screen says so</GoOn>
        </div>
      ) : step.asksMl ? (
        <AmountForm
          label={amounts[step.asksMl][0]}
          button={amounts[step.asksMl][1]}
          atFoot
          first={planned === undefined ? '' : text('volume', Math.round(planned))}
          onAmount={done}
        />
      ) : renewed !== undefined && state.standing.open.some(({ point }) => point === renewed) ? (
        <MainAct>
          <HoldButton label={`${renewed} is shut and sound`} onHeld={() => done()} />
        </MainAct>
      ) : (
        <GoOn onClick={() => done()}>Done</GoOn>
      )}
      {state.run && !mending && currentStage(state.run)?.stage.kind === 'control-unit' && (
        <Prompts prompts={stepPrompts(step, standsUp(state, 'foot-held'))} />
      )}
    </div>
  )
}

/** Why a unit is not powered yet, and where that is put right. */
function UnitGate({ state, jobId }: { state: JobState; jobId: string }) {
  const say = useSay()
  const gate = mayNotPower(state)
  if (!gate) return null
  return (
    <Notice role="alert" kind="stop" className="grid gap-2">
      <p className="text-2xl font-extrabold">{say(gate)}</p>
      <LinkButton to={`/jobs/${jobId}/unit`} size="glove" className="text-lg">
        Control unit: numbers, codes
      </LinkButton>
    </Notice>
  )
}

/** The routine that a tool is asked to go on with, also where a foot bleeds in the middle of it. */
const routineHere = ({ run }: JobState): string | undefined => {
  const worked = run?.stages.flatMap(({ stage: { technique } }) =>
    technique ? (techniqueOf(technique).routine ?? []) : [],
  )
  return worked?.[0]
}

const looksAtJoints = (run: RunState): boolean => {
  const stage = currentStage(run)?.stage
  return stage !== undefined && stageTraits[stage.kind].looksAtJoints === true
}

function StepWait({ step, startedAt, act }: { step: Step; startedAt?: string; act: Act }) {
  if (startedAt !== undefined) return <WaitClock startedAt={startedAt} waitS={step.waitS ?? 0} />
  return (
    <Button size="glove" onClick={() => act({ type: 'timer-started', timer: step.id })}>
      Start the clock: usually {Math.round((step.waitS ?? 0) / 60)} min
    </Button>
  )
}
