import type { Plan, Setup, Stage } from '../../plan/answer'
import { portStage } from '../../plan/cylinder-stages'
import { makePlan } from '../../plan/plan'
import { preparePlan } from '../../plan/prepare'
import type { PlanRequest, Work } from '../../plan/request'
import { decideScope } from '../../plan/scope/scope'
import { techniqueOf } from '../../technique'
import { partsOf } from '../../vehicle/parts'
import type { Running } from '../events/kind'
import type { RunState } from '../state'
import type { Draft } from './trouble'

/** What holds once a stage of another plan is put in: both plans' settings and cautions, and why the stage is there. */
function join(before: Setup, plan: Plan, stage: Stage): Setup {
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
  // Whoever is there opens the ports where a cylinder drew air: what the shop offers for it is no reason to stop.
  const shop = { ...planned.shop, methods: [...new Set([...planned.shop.methods, 'ports' as const])] }
  const request = { vehicle, work, shop }
  const scope = decideScope(vehicle, work, planned.shop.scopeSchool).value
  const points = scope.bleeders.map(({ bleeder }) => bleeder.id).filter(only)
  draft.do({ op: 'start-again', points })
  const inPlan = new Set(draft.run.stages.flatMap((stageRun) => stageRun.points))
  const missing = points.filter((id) => !inPlan.has(id))
  if (missing.length > 0) bleedUnplanned(draft, makePlan(request), missing)
  if (scope.cylinder !== 'none') cylindersAgain(state, draft, request, scope.cylinderIds, only)
  return points
}

/**
 * Bleeders the plan never meant to touch, on a joint that now was opened: stages of their own, as a plan for them has
 * it. Systems of their own are bled in stages of their own; of several rounds the first is enough for a place.
 */
function bleedUnplanned(draft: Draft, plan: Plan, missing: readonly string[]): void {
  const bleeds = plan.stages.some(({ kind }) => kind === 'bleed')
    ? bleedsOf(plan.stages)
    : asBefore(draft.run, missing)
  const first = (id: string) => bleeds.find(({ order }) => order.includes(id))
  const stages = bleeds.flatMap((stage) => {
    const order = stage.order.filter((id) => missing.includes(id) && first(id) === stage)
    return order.length > 0 ? [{ ...stage, order, points: order }] : []
  })
  // Each is put in before the one under way: the last one first.
  for (const stage of stages.toReversed())
    draft.do({ op: 'insert-stage', stage }).do({ op: 'setup', setup: join(draft.run.setup, plan, stage) })
}

const bleedsOf = (stages: readonly Stage[]): Stage[] => stages.filter(({ kind }) => kind === 'bleed')

/** Where no plan can be made for them, places are bled the way others of this job were: clean pulls end each. */
const asBefore = ({ stages }: RunState, places: readonly string[]): Stage[] =>
  bleedsOf(stages.map(({ stage }) => stage))
    .slice(0, 1)
    .map((stage) => ({ ...stage, order: [...places], mlByBleeder: {} }))

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
