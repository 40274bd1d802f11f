import { fact, type Notice } from '../base/decision'
import { mayMix } from '../fluid/specs'
import { suits } from '../fluid/specs/suits'
import { partFact } from '../vehicle/parts'
import type { Prepared } from './prepare'
import { fluidUsed } from './prepare'
import type { PlanRequest } from './request'
import { unitsThatMustCycle } from './units'

/** Everything that must be settled before any fluid is moved. @source common practice */
export function stopsFor(request: PlanRequest, prepared: Prepared): Notice[] {
  const stops = [...fluidStops(request), ...methodStops(request, prepared)]
  const { scope } = prepared
  if (scope.bleeders.length + scope.cylinderBleeders.length === 0) stops.push(fact('no-bleeder'))
  else if (scope.closedEnds.length > 0)
    stops.push(fact('brake-without-bleeder', { parts: scope.closedEnds.map(partFact) }))
  return stops
}

function fluidStops(request: PlanRequest): Notice[] {
  const { vehicle, work } = request
  const stops: Notice[] = []
  const used = fluidUsed(request)
  if (work.reason !== 'conversion') {
    if (work.fluidFound === 'unknown') stops.push(fact('fluid-unknown', { used }))
    else if (work.fluidFound !== undefined && !mayMix(work.fluidFound, used))
      stops.push(fact('fluid-incompatible', { found: work.fluidFound, used }))
  }
  const judged = suits(used, vehicle.fluid)
  if (judged.value === 'never')
    stops.push(fact('fluid-never', { used, spec: vehicle.fluid.spec, worse: judged.worse }))
  else if (judged.value === 'worse')
    stops.push(fact('fluid-worse', { used, spec: vehicle.fluid.spec, worse: judged.worse }))
  return stops
}

function methodStops(request: PlanRequest, prepared: Prepared): Notice[] {
  const { shop } = request
  const { corners, unitCorners, choice, cylinder, unit, scope } = prepared
  const stops: Notice[] = []
  for (const { refused } of [choice, cylinder, unit])
    if (refused)
      stops.push(
        fact('method-excluded', {
          way: fact(`technique-${refused.technique}`),
          why: fact(refused.code, refused.params),
        }),
      )
  if (corners.length > 0 && !choice.technique && !choice.refused) {
    if (shop.methods.length === 0) stops.push(fact('no-method'))
    else stops.push(fact('no-method-fits'))
  }
  const toWork = unitsThatMustCycle(request)
  const asked = request.work.workUnit !== undefined
  if ((toWork.length > 0 || asked) && !shop.methods.includes('control-unit'))
    stops.push(fact('control-unit-tool-missing'))
  else if ((toWork.length > 0 || asked || unitCorners.length > 0) && !unit.technique && !unit.refused)
    stops.push(fact('unit-routine-unfit', { why: unitUnfit(unit.notTaken) }))
  if (scope.cylinder !== 'none' && !cylinder.technique && !cylinder.refused)
    stops.push(fact('cylinder-method-missing'))
  return stops
}

/** Why no routine of the unit can be run: another reason than that it does not offer one, where there is one. */
function unitUnfit(notTaken: Prepared['unit']['notTaken']): Notice {
  const why = notTaken.find(({ code }) => code !== 'routine-not-offered')
  return why ? fact(why.code, why.params) : fact('offers-none')
}
