import { fact } from '../../base/decision'
import { levelDrop } from '../../vehicle/level-drop'
import { partFact, partsOf } from '../../vehicle/parts'
import type { Led } from './led'

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
    // Less missing than the wear holds: somebody topped it up, and nothing has gone.
    return { value: value.explained === 'more-than-wear' ? 'does-not' : 'explains', reasons }
  },
}
