import { lookFirst } from '../job/looks'
import { callOf, currentPoint, currentStage, sourceOf } from '../job/points'
import { bleedDone } from '../job/selectors'
import { cabWord, standsUp } from '../job/standing'
import type { JobState } from '../job/state'
import { currentStep } from '../job/steps'
import { techniqueOf } from '../technique'
import { type CallState, callStep } from '../technique/calls'
import { partsOf } from '../vehicle/parts'
import {
  type CabAct,
  type CabPedal,
  type CabSays,
  type CabStroke,
  type CabTask,
  cabActs,
  isCabTask,
  type WheelDoes,
} from '../words/cab/told'

/** All that a phone in the cab is shown: nothing else of the job leaves for it. */
export type CabView = {
  plate: string
  bay: string
  says: CabSays
  /** What is to be done in the cab now, beside any call; the wheel confirms it. */
  task?: CabTask
  /** The one act the cab confirms now. */
  confirm?: CabAct
  /** Whether the foot may slip now. */
  maySlip: boolean
  wheel: WheelDoes
  /** What is pressed: the one that feeds the place whose turn it is. */
  pedal: CabPedal
  /** There is more than one thing to press, so it is said which. */
  namesPedal: boolean
  /** How often it is pumped before it is held; 0 where it is pressed once. */
  pumps: number
  stroke: CabStroke
  /** What the cab's act must say it saw. */
  seen?: { point: string; call: CallState; pulls: number; turn: number }
  /** Of the job, so that a later one is known from an earlier. */
  length: number
  /** Of the call: what the wheel waits for before it opens anything. */
  turn: number
}

/** What the cab is shown of a job. Pure: the same state shows the same, on every phone. */
export function cabView(state: JobState): CabView {
  const { plate, checkIn, run, filed, parked, length } = state
  const base = {
    plate,
    bay: checkIn?.bay ?? '',
    pedal: 'brake',
    namesPedal: false,
    pumps: 0,
    stroke: 'near-bottom',
    maySlip: false,
    wheel: 'getting-ready',
    length,
    turn: state.callTurn ?? 0,
  } as const
  if (filed) return { ...base, says: 'ended', wheel: 'done' }
  if (parked) return { ...base, says: 'parked' }
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || !run.plateConfirmed || bleedDone(state))
    return { ...base, says: 'away', wheel: run && bleedDone(state) ? 'done' : 'getting-ready' }
  const task = currentStep({ run, standing: state.standing })?.step
  // A foot that is down for the tool stays down until its own step lets it up, whatever else is done meanwhile.
  if (standsUp(state, 'foot-held'))
    return {
      ...base,
      says: cabWord(state, task?.clears === 'foot-held' ? 'release' : 'hold'),
      maySlip: false,
    }
  if (task?.who === 'cab' && isCabTask(task.code)) return { ...base, says: 'do', task: task.code }
  const call = callOf(stageRun.stage)
  const point = currentPoint(run)
  const step = callStep(call, run.call)
  const begun = run.call !== 'rest'
  const { withCab, unitAsks } = call
  if (!step || point === undefined || (!withCab && !begun))
    return { ...base, says: withCab || unitAsks ? 'wait' : 'away' }
  // The tool's own screen asks for the pedal where it wants it.
  const alone = unitAsks ? 'wait' : 'away'
  if (!withCab) return { ...base, says: alone, wheel: step.open ? 'open' : 'getting-ready' }
  const says = cabWord(state, step.cab)
  const confirm =
    says === step.cab
      ? step.next.find(
          ({ act, mishap, cabOnly }) => !mishap && isCabAct(act) && (step.actor === 'cab' || cabOnly),
        )
      : undefined
  return {
    ...base,
    says,
    ...(confirm && isCabAct(confirm.act) && { confirm: confirm.act }),
    maySlip: step.next.some(({ act }) => act === 'foot-slipped'),
    wheel: wheelOf(state, step.open),
    ...pedalAt(state, point),
    pumps: (stageRun.stage.technique && techniqueOf(stageRun.stage.technique).pumps) || 0,
    seen: { point, call: run.call, pulls: stageRun.at[point]?.pulls ?? 0, turn: state.callTurn ?? 0 },
  }
}

export const isCabAct = (act: string): act is CabAct => cabActs.some((each) => each === act)

/** Which pedal or lever feeds a place, and how far it may go. */
function pedalAt(
  { vehicle, checkIn }: JobState,
  point: string,
): Pick<CabView, 'pedal' | 'namesPedal' | 'stroke'> {
  const source = sourceOf(vehicle, point)
  const cylinder = partsOf(vehicle, 'master-cylinder').find(({ chambers }) =>
    chambers.some(({ id }) => id === source),
  )
  const chamber = cylinder?.chambers.find(({ id }) => id === source)
  // Where a hand works one brake, the foot works the other by a lever beside its peg.
  const ridden = vehicle.kind === 'motorcycle'
  const pedalOf = (actuator: string, serves?: string): CabPedal =>
    actuator === 'lever' ? 'lever' : serves === 'clutch' ? 'clutch' : ridden ? 'foot-lever' : 'brake'
  const pedal = cylinder ? pedalOf(cylinder.actuator, chamber?.serves) : 'brake'
  const all = partsOf(vehicle, 'master-cylinder').flatMap(({ actuator, chambers }) =>
    chambers.map(({ serves }) => pedalOf(actuator, serves)),
  )
  const isNew = cylinder !== undefined && checkIn?.work.replaced.includes(cylinder.id) === true
  return { pedal, namesPedal: new Set(all).size > 1, stroke: isNew ? 'all-the-way' : 'near-bottom' }
}

function wheelOf(state: JobState, open: boolean): WheelDoes {
  const { run } = state
  if (!run) return 'getting-ready'
  if (open) return run.call === 'slipped' || run.call === 'spent' ? 'closing' : 'open'
  switch (run.call) {
    case 'rest':
      return lookFirst({ ...state, run }) ? 'looking' : 'getting-ready'
    case 'pressing':
      return 'calling'
    case 'holding':
      return 'opening'
    default:
      return 'looking'
  }
}
