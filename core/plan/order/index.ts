import { circuitByCircuit } from './circuit-by-circuit'
import { furthestFirst } from './furthest-first'
import { nearestFirst } from './nearest-first'
import type { OrderSchool } from './school'

/** Every school of order a shop may choose. */
export const orderSchools = {
  'furthest-first': furthestFirst,
  'nearest-first': nearestFirst,
  'circuit-by-circuit': circuitByCircuit,
} as const satisfies Record<string, OrderSchool>

export type OrderSchoolId = keyof typeof orderSchools
export const orderSchoolIds = Object.keys(orderSchools) as [OrderSchoolId, ...OrderSchoolId[]]
