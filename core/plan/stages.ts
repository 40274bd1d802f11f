import { type Reason, reason } from '../base/decision'
import { fluidOf } from '../fluid/specs'
import type { Stage } from './answer'
import { cylinderStages } from './cylinder-stages'
import { machineLeakCheck } from './leak-stages'
import { withPistonsHome } from './pistons-home'
import { placesOfStage } from './places'
import { withPreconditions } from './preconditions'
import { fluidUsed, type Prepared } from './prepare'
import type { PlanRequest } from './request'
import { type Build, plainStage } from './stage'
import { systemsInTurn } from './systems'
import { unitsToCycle } from './units'

/** The stages with the places each is worked at, and the reasons for what was added. */
export function buildStages(
  request: PlanRequest,
  prepared: Prepared,
): { stages: Stage[]; reasons: Reason[] } {
  const build: Build = { ...prepared, request, reasons: [] }
  const { reasons, scope } = build
  const { bench, ports } = cylinderStages(build)
  const early = scope.leakCheck ? machineLeakCheck(build) : []
  const stages = [...bench, ...systemsInTurn(build, [...ports, ...early])]
  if (scope.leakCheck) {
    reasons.push(reason('joints-opened', 'practice'))
    stages.push(plainStage(build, 'leak-check', 0, ['joints-opened']))
  }
  reasons.push(reason('prove-always', 'practice'))
  stages.push(plainStage(build, 'prove', 0, ['prove-always']))
  const complete = withPreconditions({
    vehicle: request.vehicle,
    stages,
    corners: [...prepared.corners, ...prepared.unitCorners],
    unitEmpty: scope.unit && unitsToCycle(request).length > 0,
    airSuspected: scope.cylinder !== 'none' || request.work.reason === 'soft-pedal',
    dropTest: request.work.reason === 'conversion' && fluidOf(fluidUsed(request)).base === 'glycol',
    rubber: request.work.reason === 'conversion' && basesMeet(request),
  })
  const placed = withPistonsHome(request, complete, reasons).map((stage) => ({
    ...stage,
    points: placesOfStage(request.vehicle, stage, scope.cylinderIds),
  }))
  return { stages: placed, reasons }
}

/** Whether mineral oil is found where glycol goes in, or the other way round. */
function basesMeet(request: PlanRequest): boolean {
  const { fluidFound } = request.work
  if (fluidFound === undefined || fluidFound === 'unknown') return false
  const bases = [fluidOf(fluidFound).base, fluidOf(fluidUsed(request)).base]
  return bases.includes('mineral') && bases[0] !== bases[1]
}
