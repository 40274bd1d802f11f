import { fact } from '~core/base/decision'
import type { UnitReading } from '~core/job/unit-ledger'
import type { Show } from '~core/units/show'
import { positions } from '~core/vehicle/schema'

const calibrations = {
  done: 'calibrated',
  'none-asked': 'no calibration asked for',
  failed: 'CALIBRATION FAILED',
} as const
const lamps = { out: 'lamp out', on: 'LAMP ON' } as const

/** Everything that a reading says but its codes, as far as it says it: on the job’s page and on its record. */
export function readingFigures(
  reading: UnitReading,
  show: Show,
  say: (of: ReturnType<typeof fact>) => string,
): string[] {
  const { number, restKPa, pressedKPa, leftKPa, rightKPa, noSensor, pedalMm, lamp, calibration } = reading
  const { wheelsKmh = {}, worked = {} } = reading
  const at = (wheels: readonly (typeof positions)[number][]) =>
    wheels.map((each) => say(fact(each))).join(', ')
  const turning = positions.filter((each) => (wheelsKmh[each] ?? 0) > 0)
  const own = positions.filter((each) => worked[each] === 'own')
  const wrong = positions.filter((each) => worked[each] !== undefined && worked[each] !== 'own')
  return [
    number && `says that it is ${number}`,
    restKPa !== undefined && `${show('pressure', restKPa)} at rest`,
    pressedKPa !== undefined && `${show('pressure', pressedKPa)} under a firm foot`,
    leftKPa !== undefined &&
      rightKPa !== undefined &&
      `${show('pressure', leftKPa)} left, ${show('pressure', rightKPa)} right`,
    noSensor && 'no pressure sensor',
    pedalMm !== undefined && `pedal ${show('length', pedalMm)} down`,
    lamp && lamps[lamp],
    calibration && calibrations[calibration],
    turning.length > 0 && `says that it TURNS: ${at(turning)}`,
    own.length > 0 && `worked by its own valves: ${at(own)}`,
    wrong.length > 0 && `NOT by its own valves: ${at(wrong)}`,
  ].filter((each) => typeof each === 'string' && each !== '') as string[]
}
