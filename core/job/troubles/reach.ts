import type { Stage } from '../../plan/answer'
import { makePlan } from '../../plan/plan'
import { preparePlan } from '../../plan/prepare'
import type { Work } from '../../plan/request'
import { decideScope } from '../../plan/scope/scope'
import { techniqueOf } from '../../technique'
import { insertStage, startAgain, startedStage } from '../change'
import { pointsOfStage } from '../points'
import type { RunState } from '../state'
import type { Running } from './trouble'

/** Kinds of stage that let air out of the cylinder. */
const AT_CYLINDER = new Set(['port-bleed', 'bench-bleed'])

/**
 * The run after something more was opened or ran dry: the same scope and planner as before are asked again. What
 * they name starts again; a stage they ask for and this run has not still to come is put in.
 *
 * @param only limits what starts again, for a trouble that concerns one reservoir
 */
export function reachOf(
  state: Running,
  more: Partial<Pick<Work, 'opened' | 'ranDry'>>,
  only: (point: string) => boolean = () => true,
): { run: RunState; startAgain: string[] } {
  const { vehicle, planned, checkIn } = state
  if (!planned || !checkIn) return { run: state.run, startAgain: [] }
  const work: Work = {
    ...checkIn.work,
    reason: 'repair',
    opened: [],
    replaced: [],
    systemEmpty: false,
    ranDry: false,
    ...more,
  }
  const scope = decideScope(vehicle, work, planned.shop.scopeSchool).value
  const points = scope.bleeders.map(({ bleeder }) => bleeder.id).filter(only)
  let run = startAgain(state.run, points)
  const ahead = (match: (kind: string) => boolean) =>
    run.stages.some(({ stage }, i) => i >= run.stageIndex && match(stage.kind))
  const inPlan = new Set(run.stages.flatMap((stageRun) => stageRun.points))
  const missing = points.filter((id) => !inPlan.has(id))
  // Bleeders the plan never meant to touch, on a joint that now was opened: a stage of their own.
  if (missing.length > 0) {
    const bleed = makePlan({ vehicle, work, shop: planned.shop }).stages.find(({ kind }) => kind === 'bleed')
    const order = bleed?.order.filter((id) => missing.includes(id)) ?? []
    if (bleed) run = insertStage(run, run.stageIndex, startedStage({ ...bleed, order }, order))
  }
  if (scope.cylinder !== 'none' && !ahead((kind) => AT_CYLINDER.has(kind))) {
    // A cylinder in place is bled at its ports, by whoever is there.
    const { cylinder, context } = preparePlan({ vehicle, work, shop: planned.shop })
    const technique =
      cylinder.technique && cylinder.technique.method === 'ports'
        ? cylinder.technique
        : techniqueOf('ports-prop')
    const { fluidMinutes, handlingMinutes } = technique.minutes(context)
    const stage: Stage = {
      kind: 'port-bleed',
      method: 'ports',
      technique: technique.id,
      order: [],
      minutes: fluidMinutes + handlingMinutes,
      fluidMinutes,
      handlingMinutes,
      ml: 0,
      reasons: ['port-loss'],
      ...technique.steps(context),
    }
    const ports = pointsOfStage(vehicle, stage, scope.cylinderIds).filter(only)
    run = insertStage(run, run.stageIndex, startedStage(stage, ports))
  }
  return { run, startAgain: points }
}
