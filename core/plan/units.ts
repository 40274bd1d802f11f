import { partsOf } from '../vehicle/parts'
import type { PartOf } from '../vehicle/schema'
import type { PlanRequest } from './request'
import { airOnly, asSeen } from './scope/scope'

/** Units that have a routine at all. */
const withRoutine = ({ vehicle }: Pick<PlanRequest, 'vehicle'>) =>
  partsOf(vehicle, 'control-unit').filter(({ routine }) => routine !== 'none')

/** Units whose own air makes a cycle a must: opened or replaced ones, or all after the system stood empty. */
export function unitsThatMustCycle(request: Pick<PlanRequest, 'vehicle' | 'work'>): PartOf<'control-unit'>[] {
  const { work } = request
  const touched = new Set([...work.opened, ...work.replaced])
  return withRoutine(request).filter((unit) => work.systemEmpty || touched.has(unit.id))
}

/**
 * Every unit that is cycled: those that must be, and where the tool is there also those whose closed branches would
 * keep wrong fluid, or the air that nobody has found yet, or where somebody asks for it.
 */
export function unitsToCycle(request: PlanRequest): PartOf<'control-unit'>[] {
  const { vehicle, work, shop } = request
  const wanted = work.reason === 'conversion' || work.workUnit !== undefined || airOnly(asSeen(vehicle, work))
  return wanted && shop.methods.includes('control-unit') ? withRoutine(request) : unitsThatMustCycle(request)
}

/** Units that could be worked, and need not be: whether they are is somebody’s choice. */
export function unitsToChoose(request: PlanRequest): PartOf<'control-unit'>[] {
  const must = new Set(unitsToCycle({ ...request, work: { ...request.work, workUnit: undefined } }))
  const here = request.shop.methods.includes('control-unit')
  return here ? withRoutine(request).filter((unit) => !must.has(unit)) : []
}

/** Units whose closed branches keep what stands in them, because nothing opens them in this work. */
export function branchesLeftClosed(request: PlanRequest): PartOf<'control-unit'>[] {
  const cycled = new Set(unitsToCycle(request).map(({ id }) => id))
  return partsOf(request.vehicle, 'control-unit').filter(({ id }) => !cycled.has(id))
}
