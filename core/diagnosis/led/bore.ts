import { fact, reason } from '../../base/decision'
import type { PartOf } from '../../vehicle/schema'
import { cylinderOf } from '../where'
import type { Led, Measured } from './led'

/** How far a bore may be beyond its nominal where its maker says nothing. @source from memory: 12.76 for 12.70 mm */
const USUAL_WEAR_MM = 0.06
/** At three depths, each in two directions. @source common practice */
export const boreReadings = [
  'top-along',
  'top-across',
  'middle-along',
  'middle-across',
  'bottom-along',
  'bottom-across',
]

const readingsOf = (measured: Measured) => boreReadings.flatMap((id) => measured[id] ?? [])

/** The widest that a cylinder's first bore may be, by its nominal; its maker's own limit comes before it. */
export function boreLimitMm(cylinder: PartOf<'master-cylinder'> | undefined): number | undefined {
  const nominal = cylinder?.chambers[0]?.boreMm
  return nominal === undefined ? undefined : Math.round(100 * (nominal + USUAL_WEAR_MM)) / 100
}

/** The bore of the cylinder against its limit: one reading beyond it is enough. */
export const bore: Led = {
  check: 'bore',
  fields(vehicle, complaint) {
    const limitMm = boreLimitMm(cylinderOf(vehicle, complaint))
    if (limitMm === undefined) return []
    return [
      {
        id: 'limit',
        label: fact('led-limit'),
        quantity: 'length',
        initial: limitMm,
      },
      ...boreReadings.map((id) => ({ id, label: fact(`led-${id}`), quantity: 'length' as const })),
    ]
  },
  judge(measured) {
    const { limit } = measured
    const readings = readingsOf(measured)
    if (limit === undefined || readings.length < boreReadings.length) return undefined
    const widest = Math.max(...readings)
    const beyond = widest > limit
    return {
      value: beyond ? 'beyond' : 'within',
      reasons: [
        reason(beyond ? 'bore-beyond' : 'bore-within', 'practice', { widestMm: widest, limitMm: limit }),
      ],
    }
  },
}
