import { showMoment } from '~/lib/format'
import { useShow } from '~/lib/units'
import type { UnitLedger } from '~core/job/unit-ledger'
import { stateNames } from './codes-rows'

/** What a unit said of itself at one time. */
export function ReadingLines({
  name,
  reading,
}: {
  name: string
  reading: NonNullable<UnitLedger['before' | 'after']>
}) {
  const show = useShow()
  const { at, by, from, codes, calibration, restKPa, pressedKPa, leftKPa, rightKPa, noSensor } = reading
  const pressures = [
    restKPa !== undefined && `${show('pressure', restKPa)} at rest`,
    pressedKPa !== undefined && `${show('pressure', pressedKPa)} under a firm foot`,
    leftKPa !== undefined &&
      rightKPa !== undefined &&
      `${show('pressure', leftKPa)} left, ${show('pressure', rightKPa)} right`,
    noSensor && 'no pressure sensor',
    calibration &&
      { done: 'calibrated', 'none-asked': 'no calibration asked for', failed: 'calibration FAILED' }[
        calibration
      ],
  ].filter((each) => typeof each === 'string')
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
      {pressures.length > 0 && <p>{pressures.join('; ')}.</p>}
    </div>
  )
}
