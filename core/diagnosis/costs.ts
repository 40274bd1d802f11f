import { makePlan } from '../plan/plan'
import { type Shop, shopSchema, workSchema } from '../plan/request'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { type Check, setUpMinutes } from './check'
import { checkOf } from './checks'
import type { Repair, RepairWork } from './repair'
import type { Case } from './request'
import { type PartKey, usualCosts } from './usual'
import type { Place } from './where'

/** What the planner is asked for: the work field of a plan request, as far as a repair decides it. */
export type WorkAfter = { reason: string; opened: string[]; replaced: string[] }

/** What is done, in money and minutes. */
export type Price = { minutes: number; cost: number; ml: number }

/** A shop that has what the methods need: what it really has is the planner's to ask once there is work. */
const usualShop = shopSchema.parse({ methods: ['two-person', 'ports', 'bench', 'pressure', 'control-unit'] })

/** @returns undefined where it is not known yet what is opened */
export function workAfter(work: RepairWork, place: Place | undefined): WorkAfter | undefined {
  const none = { opened: [], replaced: [] }
  if (work === 'soft-pedal') return { reason: 'soft-pedal', ...none }
  if (work === 'exchange') return { reason: 'service', ...none }
  if (work === 'conversion') return { reason: 'conversion', ...none }
  if (!place) return undefined
  // A line that the planner knows by no name is opened where it ends.
  const field = work === 'replaced' && place.id === place.planned ? 'replaced' : 'opened'
  return { reason: 'repair', ...none, [field]: [place.planned] }
}

/** Hands, parts and the bleed that follows, by the planner where there is a vehicle it can plan for. */
export function priceOfRepair(of: Case, repair: Repair, place: Place | undefined, shop?: Shop): Price {
  const bleed = bleedAfter(of, repair, place, shop)
  const minutes = repair.minutes + bleed.minutes
  const parts = partsFor(repair, of.vehicle, place).reduce((sum, key) => sum + priceOfPart(of, key), 0)
  return { minutes, ml: bleed.ml, cost: labour(of, minutes) + parts + fluidCost(bleed.ml) }
}

export function priceOfCheck(of: Case, check: Check, shop?: Shop): Price {
  if (check.does) return priceOfRepair(of, check.does, undefined, shop)
  const minutes = check.minutes - minutesSetUp(of, check)
  return { minutes, ml: 0, cost: labour(of, minutes) }
}

/** What it takes to get there was spent already, if a check that was made stands on the same. */
function minutesSetUp({ found }: Case, { id, setUp }: Check): number {
  const stands = setUp && found.some(({ check }) => check !== id && checkOf(check)?.setUp === setUp)
  return stands ? setUpMinutes[setUp] : 0
}

export const labour = ({ costs }: Pick<Case, 'costs'>, minutes: number): number =>
  (minutes / 60) * (costs.labourPerHour ?? usualCosts.labourPerHour)
export const priceOfPart = ({ costs }: Pick<Case, 'costs'>, key: PartKey): number =>
  costs.parts[key] ?? usualCosts.parts[key]
export const fluidCost = (ml: number): number => (ml / 1000) * usualCosts.fluidPerLitre

/** Parts that a repair needs here; a drum's wheel cylinder is no caliper. */
export function partsFor(
  { parts = [], partsOfDrum }: Repair,
  vehicle: Vehicle | undefined,
  place: Place | undefined,
): readonly PartKey[] {
  if (!partsOfDrum || !vehicle) return parts
  const brakes = partsOf(vehicle, 'wheel-brake').filter(({ id }) => place === undefined || id === place.id)
  return brakes.length > 0 && brakes.every(({ brake }) => brake === 'drum') ? partsOfDrum : parts
}

type Bleed = { minutes: number; ml: number }
/** Plans of a vehicle, by the work and the shop: the same answer is asked for many times over. */
const planned = new WeakMap<Vehicle, Map<string, Bleed | undefined>>()

function bleedAfter({ vehicle }: Case, repair: Repair, place: Place | undefined, shop = usualShop): Bleed {
  const usual = repair.bleed ?? { minutes: 0, ml: 0 }
  const work = repair.work && workAfter(repair.work, place)
  if (!vehicle || !work) return usual
  const known = planned.get(vehicle) ?? new Map<string, Bleed | undefined>()
  planned.set(vehicle, known)
  const key = JSON.stringify([work, shop])
  if (!known.has(key)) known.set(key, bleedOf(vehicle, work, shop))
  return known.get(key) ?? usual
}

/** @returns undefined for work that cannot be planned before something else is settled */
function bleedOf(vehicle: Vehicle, work: WorkAfter, shop: Shop): Bleed | undefined {
  const plan = makePlan({ vehicle, work: workSchema.parse(work), shop })
  if (plan.verdict === 'stop') return undefined
  const minutes = plan.stages.reduce((sum, stage) => sum + (stage.kind === 'prove' ? 0 : stage.minutes), 0)
  return { minutes, ml: plan.fluid.totalMl }
}
