import type { Notice } from '../decision'
import { mayMix } from '../fluids'
import type { Choice, NoChoice } from '../method/choose'
import type { Scope } from '../scope/scope'
import { partsOf } from '../vehicle/parts'
import type { PlanRequest } from './request'

/** The control units this work makes to be cycled: opened or replaced ones, or all after the system stood empty. */
export function unitsToCycle({ vehicle, work }: PlanRequest) {
  const touched = new Set([...work.opened, ...work.replaced])
  return partsOf(vehicle, 'control-unit').filter(
    (unit) => (work.systemEmpty || touched.has(unit.id)) && unit.routine !== 'none',
  )
}

/** Everything that must be settled before any fluid is moved. @source common practice */
export function stopsFor(request: PlanRequest, scope: Scope, choice: Choice | NoChoice): Notice[] {
  const { vehicle, work, shop } = request
  const stops: Notice[] = []
  const stop = (code: string, text: string) => stops.push({ code, text })
  const { spec } = vehicle.fluid
  if (work.reason !== 'conversion') {
    if (work.fluidFound === 'unknown')
      stop(
        'fluid-unknown',
        `What is in the system is unknown. Find out (a drop in water mixes if glycol, floats if silicone or mineral), or plan a conversion to ${spec}.`,
      )
    else if (work.fluidFound !== undefined && !mayMix(work.fluidFound, spec))
      stop(
        'fluid-incompatible',
        `${work.fluidFound} was found where ${spec} belongs, and they must never mix. Plan a conversion, and ask the maker about the seals.`,
      )
  }
  if (scope.bleeders.length + scope.cylinderBleeders.length === 0)
    stop(
      'no-bleeder',
      'No bleeder is in reach of this work: give the vehicle’s bleeders, or the maker’s way to let the air out.',
    )
  if (scope.bleeders.length > 0 && !choice.method) {
    if (shop.methods.length === 0)
      stop('no-method', 'The shop has no method at hand: name at least one it can do.')
    else
      stop(
        'no-method-fits',
        'None of the shop’s methods may be used on this vehicle now; each one’s reason is listed.',
      )
  }
  if (unitsToCycle(request).length > 0 && !shop.methods.includes('control-unit'))
    stop(
      'control-unit-tool-missing',
      'The control unit must run its bleed routine, and the shop has no scan tool for it: get one, or pass the job on.',
    )
  if (scope.cylinder !== 'none' && cylinderMethod(shop.methods, scope) === undefined)
    stop(
      'cylinder-method-missing',
      'The master cylinder holds air, and the shop can neither bleed it on the bench nor at its ports.',
    )
  return stops
}

/** How the cylinder's air is let out: bench for a new one where there is a bench kit, else at its ports in place. */
export function cylinderMethod(methods: readonly string[], scope: Scope): 'bench' | 'ports' | undefined {
  const bench = methods.includes('bench')
  const ports = ['ports', 'two-person', 'solo'].some((method) => methods.includes(method))
  if (scope.cylinder === 'bench') return bench ? 'bench' : ports ? 'ports' : undefined
  return ports ? 'ports' : bench ? 'bench' : undefined
}
