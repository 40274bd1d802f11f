import { fact, reason } from '../../base/decision'
import { cylinderOf } from '../where'
import type { Led, Measured } from './led'

/** How far a bore may be beyond its nominal where its maker says nothing. @source from memory: 12.76 for 12.70 mm */
const USUAL_WEAR_MM = 0.06
/** At three depths, each in two directions. @source common practice */
const READINGS = ['top-along', 'top-across', 'middle-along', 'middle-across', 'bottom-along', 'bottom-across']

const readingsOf = (measured: Measured) => READINGS.flatMap((id) => measured[id] ?? [])

/** The bore of the cylinder against its limit: one reading beyond it is enough. */
export const bore: Led = {
  check: 'bore',
  fields(vehicle, complaint) {
    const nominal = cylinderOf(vehicle, complaint)?.chambers[0]?.boreMm
    if (nominal === undefined) return []
    return [
      {
        id: 'limit',
        label: fact('led-limit'),
        quantity: 'length',
        initial: Math.round(100 * (nominal + USUAL_WEAR_MM)) / 100,
      },
      ...READINGS.map((id) => ({ id, label: fact(`led-${id}`), quantity: 'length' as const })),
    ]
  },
  judge(measured) {
    const { limit } = measured
    const readings = readingsOf(measured)
    if (limit === undefined || readings.length < READINGS.length) return undefined
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
