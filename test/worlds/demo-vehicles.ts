import { readFileSync } from 'node:fs'
import type { Vehicle } from '~core/vehicle/schema'
import { vehicleFrom } from './vehicles'

export const demoNames = ['post-van-lhd', 'post-van-rhd', 'courier-motorcycle', 'charabanc'] as const
export type DemoName = (typeof demoNames)[number]

/** A vehicle of the demo world, read like any import; `change` may spoil or extend its file first. */
export function demoVehicle(
  name: DemoName,
  change: (file: Record<string, unknown>) => object = (file) => file,
): Vehicle {
  const text = readFileSync(new URL(`../../demo/vehicles/${name}.json`, import.meta.url), 'utf8')
  return vehicleFrom(change(JSON.parse(text)))
}
