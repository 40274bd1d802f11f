import { fact, reason } from '../../base/decision'
import { wearDrop } from '../../physics/exchange/wear-drop'
import { levelDrop } from '../../vehicle/level-drop'
import { brakesFedBy } from '../../vehicle/network'
import { partFact, partsOf } from '../../vehicle/parts'
import type { PartOf } from '../../vehicle/schema'
import type { Led } from './led'

/** How well wear is measured with a rule at the pad. @source from memory */
const READ_MM = 0.5

/** What a wheel's worn pads hold, from how little to how much by how well they were measured. */
const holds = (brake: PartOf<'wheel-brake'>, wearMm: number) => {
  const ml = (mm: number) => wearDrop({ pistons: brake.pistons, wearMm: Math.max(0, mm) }).ml
  return {
    brake: partFact(brake),
    fromMl: Math.round(ml(wearMm - READ_MM)),
    toMl: Math.round(ml(wearMm + READ_MM)),
  }
}

/** What is missing from MAX against what the pistons hold by the wear at each wheel. */
export const wear: Led = {
  check: 'wear-sum',
  fields: (vehicle) =>
    partsOf(vehicle, 'reservoir').length === 0
      ? []
      : [
          { id: 'missing', label: fact('led-missing'), quantity: 'volume' },
          ...partsOf(vehicle, 'wheel-brake').map((brake) => ({
            id: `wear ${brake.id}`,
            label: fact('led-wear', { brake: partFact(brake) }),
            quantity: 'length' as const,
            ...(brake.padWearMm > 0 && { initial: brake.padWearMm }),
          })),
        ],
  judge(measured, vehicle) {
    const [reservoir] = partsOf(vehicle, 'reservoir')
    const { missing } = measured
    if (missing === undefined || !reservoir) return undefined
    const worn = Object.fromEntries(
      partsOf(vehicle, 'wheel-brake').map(({ id }) => [id, measured[`wear ${id}`] ?? 0]),
    )
    const { value, reasons } = levelDrop(vehicle, worn, reservoir.maxMl - missing)
    const wheels = brakesFedBy(vehicle, reservoir.id)
      .filter(({ id }) => (worn[id] ?? 0) > 0)
      .map((brake) => reason('led-wheel-holds', 'physics', holds(brake, worn[brake.id] ?? 0)))
    // Less missing than the wear holds: somebody topped it up, and nothing has gone.
    return {
      value: value.explained === 'more-than-wear' ? 'does-not' : 'explains',
      reasons: [...wheels, ...reasons],
    }
  },
}
