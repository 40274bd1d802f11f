import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import type { Work } from './request'

/**
 * Brakes whose wheel comes off for this work: as somebody said, else all of them; none on a motorcycle or quad, whose
 * bleeders stand in the open. Where none comes off, nobody is asked for stands or wheel nuts.
 *
 * @source common practice
 */
export function wheelsOff(vehicle: Vehicle, { wheelsOff: said }: Pick<Work, 'wheelsOff'>): string[] {
  if (said) return said
  const { kind } = vehicle
  return kind === 'motorcycle' || kind === 'quad' ? [] : partsOf(vehicle, 'wheel-brake').map(({ id }) => id)
}
