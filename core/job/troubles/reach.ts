import type { Plan, Setup, Stage } from '../../plan/answer'
import { portStage } from '../../plan/cylinder-stages'
import { makePlan } from '../../plan/plan'
import { preparePlan } from '../../plan/prepare'
import type { PlanRequest, Work } from '../../plan/request'
import { decideScope } from '../../plan/scope/scope'
import { techniqueOf } from '../../technique'
import { partsOf } from '../../vehicle/parts'
import type { Running } from '../events/kind'
import type { Draft } from './trouble'

/** What holds once a stage of another plan is put in: both plans' settings and cautions, and why the stage is there. */
function joined(before: Setup, plan: Plan, stage: Stage): Setup {
  const { pressureKPa = before.pressureKPa, vacuumKPa = before.vacuumKPa } = plan
  const added = <T extends { code: string }>(own: readonly T[], others: readonly T[]) => [
    ...own,
    ...others.filter((other) => !own.some(({ code }) => code === other.code)),
  ]
  const why = plan.reasons.filter(({ code }) => stage.reasons.includes(code) || code.endsWith('-setting'))
  return {
    ...before,
    pressureKPa,
    vacuumKPa,
    limits: { ...before.limits, ...plan.limits },
    cautions: added(before.cautions, plan.cautions),
    reasons: added(before.reasons, why),
  }
}

/** Kinds of stage that let air out of the cylinder. */
const AT_CYLINDER: ReadonlySet<string> = new Set(['port-bleed', 'bench-bleed'])

/**
 * What follows once something more was opened or ran dry: the same scope and planner as before are asked again. What
 * they name starts again; a stage they ask for and this run has not still to come is put in.
 *
 * @param only limits what starts again, for a trouble that concerns one reservoir
 * @returns the places that start again
 */
export function reach(
  state: Running,
  draft: Draft,
  more: Partial<Pick<Work, 'opened' | 'ranDry'>>,
  only: (point: string) => boolean = () => true,
): string[] {
  const { vehicle, planned, checkIn } = state
  if (!planned || !checkIn) return []
  const work: Work = {
    ...checkIn.work,
    reason: 'repair',
    opened: [],
    replaced: [],
    systemEmpty: false,
    ranDry: false,
    ...more,
  }
  const request = { vehicle, work, shop: planned.shop }
  const scope = decideScope(vehicle, work, planned.shop.scopeSchool).value
  const points = scope.bleeders.map(({ bleeder }) => bleeder.id).filter(only)
  draft.do({ op: 'start-again', points })
  const { run } = draft
  const inPlan = new Set(run.stages.flatMap((stageRun) => stageRun.points))
  const missing = points.filter((id) => !inPlan.has(id))
  // Bleeders the plan never meant to touch, on a joint that now was opened: a stage of their own.
  if (missing.length > 0) {
    const plan = makePlan(request)
    const bleed = plan.stages.find(({ kind }) => kind === 'bleed')
    const order = bleed?.order.filter((id) => missing.includes(id)) ?? []
    if (bleed)
      draft
        .do({ op: 'insert-stage', stage: { ...bleed, order, points: order } })
        .do({ op: 'setup', setup: joined(run.setup, plan, bleed) })
  }
  if (scope.cylinder !== 'none') cylindersAgain(state, draft, request, scope.cylinderIds, only)
  return points
}

/**
 * Cylinders that drew air, each by itself: what has its ports still to come is left alone, what was done there begins
 * again, and where no stage works at them one is put in.
 */
function cylindersAgain(
  { vehicle }: Running,
  draft: Draft,
  request: PlanRequest,
  cylinderIds: readonly string[],
  only: (point: string) => boolean,
): void {
  const unplanned: string[] = []
  for (const { id, bleeders, chambers } of partsOf(vehicle, 'master-cylinder')) {
    if (!cylinderIds.includes(id)) continue
    // A cylinder with bleeders of its own is bled at those.
    const places = (bleeders.length > 0 ? bleeders : chambers).map((each) => each.id).filter(only)
    if (places.length === 0) continue
    const { run } = draft
    const toCome = (place: string) =>
      run.stages.some(
        ({ points, at }, i) => i >= run.stageIndex && points.includes(place) && !at[place]?.finished,
      )
    if (toCome(id) || places.every(toCome)) continue
    const worked = run.stages.some(({ stage, points }, i) => {
      const here = i <= run.stageIndex && AT_CYLINDER.has(stage.kind)
      return here && places.every((place) => points.includes(place))
    })
    if (worked) draft.do({ op: 'start-again', points: places })
    else unplanned.push(...places)
  }
  if (unplanned.length === 0) return
  // A cylinder in place is bled at its ports, by whoever is there.
  const { cylinder, context } = preparePlan(request)
  const inPlace = cylinder.technique?.cylinder === 'in-place' ? cylinder.technique : undefined
  const { stage, reasons } = portStage(inPlace ?? techniqueOf('ports-prop'), context, cylinderIds)
  draft.do({ op: 'insert-stage', stage: { ...stage, points: unplanned } }).do({ op: 'reasons', reasons })
}
