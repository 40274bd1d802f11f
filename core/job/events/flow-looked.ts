import { z } from 'zod'
import { fact } from '../../base/decision'
import { copyOfPoint, copyOfRun, withRun } from '../copies'
import { flowLookOf, holdsAt, nextFlowLook, stopsAt, strokesSay } from '../flow-looks'
import { frontAfter } from '../front'
import { withTurned } from '../joints'
import { takeFrom } from '../levels'
import { currentPoint, currentStage, isFed, lookOwed, openPoints, pointOf, reservoirOfPoint } from '../points'
import type { JobState, PointRun } from '../state'
import { addTally } from '../tally'
import { type EventKind, onRun, type Running, refuseOnRun } from './kind'
import { ml, short, stamp } from './stamp'

export const flowLookedSchema = z.object({
  ...stamp,
  type: z.literal('flow-looked'),
  point: short,
  look: short,
  /** What was found; worked out from `ml` where strokes were counted. */
  is: short,
  /** What the counted strokes brought. */
  ml: ml.optional(),
})
type FlowLooked = z.output<typeof flowLookedSchema>

function refuse(state: Running, { point, look, is, ml }: FlowLooked) {
  const { run, vehicle } = state
  const stageRun = currentStage(run)
  const stops = stageRun && point === currentPoint(run) && stopsAt(stageRun, point)
  if (!stops || run.call !== 'rest' || openPoints(run).length > 0 || lookOwed(run))
    return fact('flow-look-not-now', { point })
  const due = nextFlowLook(vehicle, point, pointOf(stageRun, point)?.flowLooked)
  if (due?.id !== look) return fact('flow-look-in-turn', { point })
  if (due.strokes !== undefined) return ml === undefined ? fact('flow-look-amount', { point }) : undefined
  return due.results.includes(is) ? undefined : fact('flow-look-in-turn', { point })
}

/** Of counted strokes the amount tells what it is, whatever was sent. */
function complete({ vehicle }: JobState, event: FlowLooked): FlowLooked {
  const { ml, ...rest } = event
  const counted = flowLookOf(event.look)?.strokes !== undefined && ml !== undefined
  return counted ? { ...event, is: strokesSay(vehicle, event.point, ml) } : rest
}

function apply(state: Running, { point, look, is, ml = 0 }: FlowLooked): JobState {
  const { run, vehicle } = state
  const stageRun = currentStage(run)
  const progress = stageRun && pointOf(stageRun, point)
  if (!stageRun || !progress) return state
  const made = flowLookOf(look)
  const next: PointRun = copyOfPoint(progress)
  next.flowLooked = { ...progress.flowLooked, [look]: is }
  // Not counted anew: what came of it before stays, and that nothing comes is still what there is to find.
  if (made?.bleederOut) {
    next.airDrawn++
    next.cleanStreak = 0
  }
  next.ml += ml
  const fed = isFed(run, stageRun.stage)
  const seen = {
    ...stageRun,
    at: { ...stageRun.at, [point]: next },
    tally: addTally(stageRun.tally, fed ? { outMl: ml, inMl: ml } : { outMl: ml }),
  }
  const stages = run.stages.map((each, i) => (i === run.stageIndex ? seen : each))
  const around = copyOfRun(run)
  around.stages = stages
  around.bottleMl = run.bottleMl + ml
  if (ml > 0) around.frontMl = frontAfter(vehicle, run.frontMl ?? {}, point, ml)
  // What keeps the reservoir full gives what came.
  if (fed && run.tankMl !== undefined) around.tankMl = Math.max(0, run.tankMl - ml)
  const looked = withRun(state, takeFrom(around, fed ? undefined : reservoirOfPoint(vehicle, point), ml))
  const joint = made?.cracks?.(vehicle, point)
  return joint === undefined ? looked : withTurned(looked, [joint])
}

/** One look for where the fluid stops that does not come at a bleeder. */
export const flowLooked: EventKind<FlowLooked> = {
  type: 'flow-looked',
  schema: flowLookedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  wentWrong: ({ look, is }) => holdsAt(look, is) !== undefined,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
