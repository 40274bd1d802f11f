import { partsOf } from '../vehicle/parts'
import type { PlanRequest } from './request'

/** The control units this work makes to be cycled: opened or replaced ones, or all after the system stood empty. */
export function unitsToCycle({ vehicle, work }: PlanRequest) {
  const touched = new Set([...work.opened, ...work.replaced])
  return partsOf(vehicle, 'control-unit').filter(
    (unit) => (work.systemEmpty || touched.has(unit.id)) && unit.routine !== 'none',
  )
}
