import { callKindOf, currentPoint, currentStage } from '../job/points'
import { bleedDone } from '../job/selectors'
import type { JobState } from '../job/state'
import { stageTraits } from '../plan/stage-kinds'
import { type CabCall, type CallAct, type CallState, callMachines, callStep } from '../technique/calls'
import { partsOf } from '../vehicle/parts'

/** Acts that a cab may send; every other is the wheel's. */
export const cabActs = ['holding', 'release', 'foot-slipped'] as const satisfies readonly CallAct[]
export type CabAct = (typeof cabActs)[number]

/** What the wheel is doing, for whoever cannot see it. */
export type WheelDoes = 'getting-ready' | 'calling' | 'opening' | 'open' | 'closing' | 'looking' | 'done'

/** All that a phone in the cab is shown: nothing else of the job leaves for it. */
export type CabView = {
  plate: string
  bay: string
  /** `away`: this stage has no part for the cab. `ended`: the job is filed. `parked`: everybody stopped. */
  says: CabCall | 'away' | 'parked' | 'ended'
  /** The one act the cab confirms now. */
  confirm?: CabAct
  /** Whether the foot may slip now. */
  maySlip: boolean
  wheel: WheelDoes
  /** A lever on a bar instead of a pedal. */
  lever: boolean
  /** What the cab's act must say it saw. */
  seen?: { point: string; call: CallState; pulls: number; turn: number }
  /** Of the job, so that a later one is known from an earlier. */
  length: number
  /** Of the call: what the wheel waits for before it opens anything. */
  turn: number
}

/** What the cab is shown of a job. Pure: the same state shows the same, on every phone. */
export function cabView(state: JobState): CabView {
  const { plate, checkIn, run, filed, parked, vehicle, length } = state
  const base = {
    plate,
    bay: checkIn?.bay ?? '',
    lever: false,
    maySlip: false,
    wheel: 'getting-ready',
    length,
    turn: state.callTurn ?? 0,
  } as const
  if (filed) return { ...base, says: 'ended', wheel: 'done' }
  if (parked) return { ...base, says: 'parked' }
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || !run.plateConfirmed || bleedDone(run))
    return { ...base, says: 'away', wheel: run && bleedDone(run) ? 'done' : 'getting-ready' }
  const kind = callKindOf(stageRun.stage)
  const point = currentPoint(run)
  const step = callStep(kind, run.call)
  const begun = run.call !== 'rest'
  const withCab = callMachines[kind].withCab && stageTraits[stageRun.stage.kind].waysOpen
  if (!step || point === undefined || (!withCab && !begun))
    return { ...base, says: withCab || kind === 'unit' ? 'wait' : 'away' }
  // The tool's own screen asks for the pedal where it wants it.
  const alone = kind === 'unit' ? 'wait' : 'away'
  if (!withCab) return { ...base, says: alone, wheel: step.open ? 'open' : 'getting-ready' }
  const confirm =
    step.actor === 'cab' ? step.next.find(({ act, mishap }) => !mishap && isCabAct(act)) : undefined
  return {
    ...base,
    says: step.cab,
    ...(confirm && isCabAct(confirm.act) && { confirm: confirm.act }),
    maySlip: step.next.some(({ act }) => act === 'foot-slipped'),
    wheel: wheelOf(state, step.open),
    lever: actuatorOf(vehicle) === 'lever',
    seen: { point, call: run.call, pulls: stageRun.at[point]?.pulls ?? 0, turn: state.callTurn ?? 0 },
  }
}

export const isCabAct = (act: string): act is CabAct => cabActs.some((each) => each === act)

const actuatorOf = (vehicle: JobState['vehicle']) => partsOf(vehicle, 'master-cylinder')[0]?.actuator

function wheelOf({ run }: JobState, open: boolean): WheelDoes {
  if (!run) return 'getting-ready'
  if (open) return run.call === 'slipped' ? 'closing' : 'open'
  switch (run.call) {
    case 'rest':
      return run.lookDue ? 'looking' : 'getting-ready'
    case 'pressing':
      return 'calling'
    case 'holding':
      return 'opening'
    default:
      return 'looking'
  }
}
