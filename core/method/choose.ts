import type { Notice, Reason } from '../decision'
import { bleedMethods } from './index'
import type { BleedMethod, MethodContext, MethodId, MethodMinutes, MethodSettings } from './method'

/** The method taken for the bleed, and why each other one was not. */
export type Choice = {
  method: BleedMethod
  settings: MethodSettings
  minutes: MethodMinutes
  reasons: Reason[]
  rejected: (Notice & { method: MethodId })[]
}
export type NoChoice = { method?: undefined; rejected: (Notice & { method: MethodId })[] }

const total = ({ fluidMinutes, handlingMinutes }: MethodMinutes) => fluidMinutes + handlingMinutes

/**
 * Choose how to move the fluid: exclude what the shop lacks or the vehicle forbids, take what the maker's
 * settings ask for, else the lowest sum of time and risk for this vehicle at this temperature.
 */
export function chooseMethod(context: MethodContext, available: readonly MethodId[]): Choice | NoChoice {
  const rejected: (Notice & { method: MethodId })[] = []
  const possible: { method: BleedMethod; settings: MethodSettings; minutes: MethodMinutes; cost: number }[] =
    []
  for (const method of bleedMethods) {
    const refusal = available.includes(method.id)
      ? method.exclude(context)
      : { code: 'not-in-shop', text: 'The shop has no equipment or helper for it.' }
    if (refusal) {
      rejected.push({ method: method.id, ...refusal })
      continue
    }
    const minutes = method.minutes(context)
    possible.push({
      method,
      settings: method.settings(context),
      minutes,
      cost: total(minutes) + method.riskMinutes(context),
    })
  }
  possible.sort((a, b) => makerRank(b.method, context) - makerRank(a.method, context) || a.cost - b.cost)
  const [best, ...others] = possible
  if (!best) return { rejected }
  const makers = makerRank(best.method, context) > 0
  for (const { method, minutes, cost } of others) {
    const why = makers ? 'The maker states another method' : `${best.method.name} costs less time and risk`
    const spent = (taken: MethodMinutes, all: number) =>
      `${Math.round(total(taken))} min and a risk worth ${Math.round(all - total(taken))}`
    rejected.push({
      method: method.id,
      code: 'costs-more',
      text: `${why}: here ${spent(minutes, cost)}, there ${spent(best.minutes, best.cost)}.`,
    })
  }
  const why: Reason = makers
    ? {
        code: 'method-maker',
        text: `${best.method.name}: the maker states its setting for this vehicle.`,
        basis: 'maker',
      }
    : {
        code: 'method-cheapest',
        text: `${best.method.name}: ${best.method.why} Lowest sum of time and risk here.`,
        basis: 'practice',
      }
  return { method: best.method, settings: best.settings, minutes: best.minutes, reasons: [why], rejected }
}

/** How far the maker's own settings ask for a method. */
function makerRank(method: BleedMethod, { vehicle }: MethodContext): number {
  const stated = vehicle.makerSettings
  if (!stated) return 0
  const wants = { pressure: stated.pressureKPa !== undefined, vacuum: stated.vacuumKPa !== undefined }
  if (method.id === 'pressure-vacuum') return wants.pressure && wants.vacuum ? 2 : 0
  if (method.id === 'pressure') return wants.pressure ? 1 : 0
  if (method.id === 'vacuum') return wants.vacuum && !wants.pressure ? 1 : 0
  return 0
}
