import { partsOf } from './parts'
import type { PartOf, Vehicle } from './schema'

/** The brake on the other side of the same axle; undefined where a wheel stands alone. */
export function brakeAcross(
  vehicle: Vehicle,
  { position }: Pick<PartOf<'wheel-brake'>, 'position'>,
): PartOf<'wheel-brake'> | undefined {
  const across = position.endsWith('left')
    ? position.replace('left', 'right')
    : position.replace('right', 'left')
  return across === position
    ? undefined
    : partsOf(vehicle, 'wheel-brake').find((brake) => brake.position === across)
}
