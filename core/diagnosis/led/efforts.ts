import { fact } from '../../base/decision'
import { pedalFeel, USUAL_GAUGE_ERROR_PCT } from '../../physics/air/pedal-feel'
import { cylinderOf } from '../where'
import type { Led, Measured } from './led'

const MOST = 4
/** How well travel is read by a rule beside the pedal, nine of ten. @source from memory */
const READ_MM = 0.5

const pairs = (measured: Measured) =>
  Array.from({ length: MOST }, (_, i) => ({
    pressureKPa: measured[`pressure${i}`],
    travelMm: measured[`travel${i}`],
  })).filter(
    (pair): pair is { pressureKPa: number; travelMm: number } =>
      pair.pressureKPa !== undefined && pair.travelMm !== undefined,
  )

/** Travel at three efforts or more, by what the Bench makes of it: air is curved, swelling straight. */
export const efforts: Led = {
  check: 'three-efforts',
  fields: (vehicle, complaint) =>
    cylinderOf(vehicle, complaint)?.chambers[0] === undefined
      ? []
      : Array.from({ length: MOST }, (_, i) => [
          { id: `pressure${i}`, label: fact('led-pressure', { n: i + 1 }), quantity: 'pressure' as const },
          { id: `travel${i}`, label: fact('led-travel', { n: i + 1 }), quantity: 'length' as const },
        ]).flat(),
  curve: pairs,
  judge(measured, vehicle, complaint) {
    const read = pairs(measured)
    const cylinder = cylinderOf(vehicle, complaint)
    const bore = cylinder?.chambers[0]?.boreMm
    if (read.length < 3 || !cylinder || bore === undefined) return undefined
    const { value, reasons } = pedalFeel({
      boreMm: bore,
      pedalRatio: cylinder.pedalRatio,
      efforts: read,
      travelErrorMm: READ_MM,
      gaugeErrorPct: USUAL_GAUGE_ERROR_PCT,
    })
    return { value: { yes: 'curved', no: 'straight', 'cannot-tell': 'cannot-tell' }[value.air], reasons }
  },
}
