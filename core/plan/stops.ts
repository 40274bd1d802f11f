import type { Notice } from '../base/decision'
import { mayMix } from '../fluid/specs'
import { suits } from '../fluid/specs/suits'
import { techniqueOf } from '../technique/index'
import type { Prepared } from './prepare'
import { fluidUsed } from './prepare'
import type { PlanRequest } from './request'
import { unitsToCycle } from './units'

/** Everything that must be settled before any fluid is moved. @source common practice */
export function stopsFor(request: PlanRequest, prepared: Prepared): Notice[] {
  const stops = [...fluidStops(request), ...methodStops(request, prepared)]
  const { scope } = prepared
  if (scope.bleeders.length + scope.cylinderBleeders.length === 0)
    stops.push({
      code: 'no-bleeder',
      text: 'No bleeder is in reach of this work: give the vehicle’s bleeders, or the maker’s way to let the air out.',
    })
  return stops
}

function fluidStops(request: PlanRequest): Notice[] {
  const { vehicle, work } = request
  const stops: Notice[] = []
  const used = fluidUsed(request)
  if (work.reason !== 'conversion') {
    if (work.fluidFound === 'unknown')
      stops.push({
        code: 'fluid-unknown',
        text: `What is in the system is unknown. Find out (a drop in water mixes if glycol, floats if silicone or mineral), or plan a conversion to ${used}.`,
      })
    else if (work.fluidFound !== undefined && !mayMix(work.fluidFound, used))
      stops.push({
        code: 'fluid-incompatible',
        text: `${work.fluidFound} was found where ${used} is to go in, and they must never mix. Plan a conversion, and ask the maker about the seals.`,
      })
  }
  const judged = suits(used, vehicle.fluid)
  if (judged.value === 'never')
    stops.push({
      code: 'fluid-never',
      text: `${used} must not go into a system made for ${vehicle.fluid.spec}: ${judged.worse.join('; ')}.`,
    })
  else if (judged.value === 'worse')
    stops.push({
      code: 'fluid-worse',
      text: `${used} is worse than the ${vehicle.fluid.spec} this vehicle calls for: ${judged.worse.join('; ')}. The maker does not allow it.`,
    })
  return stops
}

function methodStops(request: PlanRequest, prepared: Prepared): Notice[] {
  const { shop } = request
  const { corners, unitCorners, choice, cylinder, unit, scope } = prepared
  const stops: Notice[] = []
  for (const { refused } of [choice, cylinder, unit])
    if (refused)
      stops.push({
        code: 'method-excluded',
        text: `${techniqueOf(refused.technique).name} cannot be taken here, whatever the reason: ${refused.text}`,
      })
  if (corners.length > 0 && !choice.technique && !choice.refused) {
    if (shop.methods.length === 0)
      stops.push({ code: 'no-method', text: 'The shop has no method at hand: name at least one it can do.' })
    else
      stops.push({
        code: 'no-method-fits',
        text: 'None of the shop’s methods may be used on this vehicle now; each one’s reason is listed.',
      })
  }
  const toWork = unitsToCycle(request)
  if (toWork.length > 0 && !shop.methods.includes('control-unit'))
    stops.push({
      code: 'control-unit-tool-missing',
      text: 'The control unit must run its bleed routine, and the shop has no scan tool for it: get one, or pass the job on.',
    })
  else if ((toWork.length > 0 || unitCorners.length > 0) && !unit.technique && !unit.refused)
    stops.push({
      code: 'unit-routine-unfit',
      text: `The control unit’s routine cannot be run now: ${unit.notTaken.find(({ code }) => code !== 'routine-not-offered')?.text ?? 'it offers none.'}`,
    })
  if (scope.cylinder !== 'none' && !cylinder.technique && !cylinder.refused)
    stops.push({
      code: 'cylinder-method-missing',
      text: 'The master cylinder holds air, and the shop can neither bleed it on the bench nor at its ports.',
    })
  return stops
}
