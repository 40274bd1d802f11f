import type { Plan } from '~core/plan/answer'
import { makePlan } from '~core/plan/plan'
import { type PlanRequest, shopSchema, workSchema } from '~core/plan/request'
import { examples } from '~core/vehicle/examples'
import { demoNames, demoVehicle } from '../worlds/demo-vehicles'
import { vehicleFrom } from '../worlds/vehicles'
import type { PlanCase } from './case'

/** A case as the planner is asked. */
export function requestOf({ vehicle, change = (file) => file, work, shop }: PlanCase): PlanRequest {
  const demo = demoNames.find((name) => name === vehicle)
  const file = () => structuredClone(examples[vehicle]?.file) as Record<string, unknown>
  return {
    vehicle: demo ? demoVehicle(demo, change) : vehicleFrom(change(file())),
    work: workSchema.parse(work),
    shop: shopSchema.parse(shop),
  }
}

export const planOf = (worked: PlanCase): Plan => makePlan(requestOf(worked))
