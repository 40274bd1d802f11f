import { routedBleeders } from '~core/vehicle/network'
import type { Vehicle } from '~core/vehicle/schema'
import { type BleederMark, shortLabels } from './marks'

/** Every bleeder by its own short name, where there is no order to show. */
export function ownMarks(vehicle: Vehicle): BleederMark[] {
  const ids = routedBleeders(vehicle).map(({ bleeder }) => bleeder.id)
  const labels = shortLabels(ids)
  return ids.map((id, i) => ({ id, label: labels[i] ?? '', state: 'waiting' }))
}
