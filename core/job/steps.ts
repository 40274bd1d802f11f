import { type Fact, fact } from '../base/decision'
import type { Stage } from '../plan/answer'
import { stageTraits } from '../plan/stage-kinds'
import type { Step } from '../technique/step'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { currentPoint, currentStage, lookOwed, routedBleederOf } from './points'
import { dueAway, nextMend, renews, stepIsDue } from './standing'
import type { JobState, Mend, RunState } from './state'

/** A step that is due: of the stage, of a mend, or one that takes away what stands in the way. */
export type DueStep = { step: Step; mend?: Mend; away?: string }

/**
 * The step to be done now: what stands in the way is taken away, what went wrong is mended, then come the stage's own
 * before its first point and after its last. Nothing while a joint stands open that no step shuts.
 */
export function currentStep(state: { run: RunState; standing: JobState['standing'] }): DueStep | undefined {
  const { run } = state
  // A call under way is brought to its end first: nobody leaves a joint open to do something else.
  return run.call !== 'rest' || lookOwed(run) ? undefined : stepAtRest(state)
}

/** The step that is due once the call is at rest and what came is written down. */
export function stepAtRest(state: { run: RunState; standing: JobState['standing'] }): DueStep | undefined {
  const { run, standing } = state
  const away = dueAway(state)
  if (away) return { step: away, away: away.clears }
  const next = nextMend(state)
  const shuts = next && renews(next.step)
  if (standing.open.some(({ point }) => point !== shuts)) return undefined
  if (next) return next
  const stageRun = currentStage(run)
  if (!stageRun) return undefined
  const { before, after } = stageRun.stage
  const point = currentPoint(run)
  // What comes right before a place waits until its turn.
  const reached = ({ at }: Step) => at === undefined || at === point || stageRun.at[at]?.finished === true
  const undone = (step: Step) => reached(step) && stepIsDue(state, stageRun, step)
  const first = before.find(undone)
  if (first) return { step: first }
  const last = point === undefined ? after.find(undone) : undefined
  return last && { step: last }
}

/**
 * About how much a step is going to draw or pour: from the level as it is known, else as planned. Somebody writes down
 * what it really was.
 */
export function amountToMove(
  { vehicle, run, planned }: Pick<JobState, 'vehicle' | 'run' | 'planned'>,
  { asksMl, reservoir, drawsToMl, fillsToMax, aboutMl }: Step,
): number | undefined {
  if (asksMl === undefined) return undefined
  const levelMl = reservoir === undefined ? undefined : run?.levelMl[reservoir]
  if (levelMl !== undefined) {
    const maxMl = partsOf(vehicle, 'reservoir').find(({ id }) => id === reservoir)?.maxMl
    if (asksMl === 'drawn' && drawsToMl !== undefined) return Math.max(0, levelMl - drawsToMl)
    if (fillsToMax && maxMl !== undefined) return Math.max(0, maxMl - levelMl)
  }
  // Plans of earlier versions say one amount for all reservoirs, and none for a mend.
  return aboutMl ?? (fillsToMax && reservoir === undefined ? planned?.plan.fluid.reservoirMl : undefined)
}

const inTheVice = ({ kind }: Stage) => stageTraits[kind].worksAt === 'cylinders'

/** What to do at one point before its first pull. */
export function pointPreparation(vehicle: Vehicle, stage: Stage, point: string): Fact[] {
  if (inTheVice(stage)) return [fact('prepare-vice')]
  const placed = routedBleederOf(vehicle, point)
  if (!placed) return [fact('prepare-nut'), fact('prepare-nut-shield')]
  const { wrenchMm, access } = placed.bleeder
  return [
    wrenchMm === undefined
      ? fact('prepare-bleeder')
      : fact('prepare-bleeder-spanner', { size: `${wrenchMm} mm` }),
    ...(access ? [fact('prepare-access', { note: access })] : []),
    fact('prepare-hose'),
  ]
}

/** What to do at one point once it is done. */
export function pointClosing(vehicle: Vehicle, stage: Stage, point: string): Fact {
  if (inTheVice(stage)) return fact('close-vice')
  const bleeder = routedBleederOf(vehicle, point)?.bleeder
  const torque =
    bleeder?.torqueNm === undefined ? fact('makers-torque') : fact('torque', { torqueNm: bleeder.torqueNm })
  return fact(bleeder ? 'close-bleeder' : 'close-nut', { torque })
}
