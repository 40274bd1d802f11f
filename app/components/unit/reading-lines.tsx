import { showMoment } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { fact } from '~core/base/decision'
import type { UnitLedger } from '~core/job/unit-ledger'
import { positions } from '~core/vehicle/schema'
import { stateNames } from './codes-rows'

type Reading = NonNullable<UnitLedger['before']>

const calibrations = {
  done: 'calibrated',
  'none-asked': 'no calibration asked for',
  failed: 'calibration FAILED',
}
const lamps = { out: 'lamp out', on: 'lamp ON' }

/** What a unit said of itself at one time. */
export function ReadingLines({ name, reading }: { name: string; reading: Reading }) {
  const { at, by, from, codes } = reading
  const said = useFigures(reading)
  return (
    <div className="border-l-8 border-ink pl-3">
      <h3 className="font-bold">{name}</h3>
      <p className="text-sm text-quiet">
        {showMoment(at)}
        {by && `, ${by.name}`}, {from === 'tool' ? 'by the tool' : 'read aloud'}
      </p>
      {codes.length === 0 ? (
        <p>No codes.</p>
      ) : (
        <ul>
          {codes.map(({ code, says, is }) => (
            <li key={`${code} ${is} ${says}`}>
              <strong>{code}</strong> {says && `${says}, `}
              {stateNames[is]}
            </li>
          ))}
        </ul>
      )}
      {said.length > 0 && <p>{said.join('; ')}.</p>}
    </div>
  )
}

/** Everything of it but its codes, as far as it was said. */
function useFigures(reading: Reading): string[] {
  const show = useShow()
  const say = useSay()
  const { calibration, restKPa, pressedKPa, leftKPa, rightKPa, noSensor } = reading
  const { number, lamp, pedalMm, wheelsKmh = {}, worked = {} } = reading
  const turning = positions.filter((each) => (wheelsKmh[each] ?? 0) > 0)
  const wrong = positions.filter((each) => worked[each] !== undefined && worked[each] !== 'own')
  const at = (wheels: readonly (typeof positions)[number][]) =>
    wheels.map((each) => say(fact(each))).join(', ')
  const right = Object.values(worked).filter((each) => each === 'own').length
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
    right > 0 && `${right} of its wheels worked by its own valves`,
    wrong.length > 0 && `NOT by its own valves: ${at(wrong)}`,
  ].filter((each) => typeof each === 'string' && each !== '') as string[]
}
