import { fact } from '~core/base/decision'
import type { JobState } from '~core/job/state'
import type { UnitLedger } from '~core/job/unit-ledger'
import { partFact, partsOf } from '~core/vehicle/parts'
import type { Say } from '~core/words'

const calibrations = {
  done: 'calibrated',
  'none-asked': 'no calibration asked for',
  failed: 'CALIBRATION FAILED',
} as const

/** What was changed on each control unit, and what it said of itself before and after. */
export function unitLines({ vehicle, units = {} }: JobState, say: Say): string[] {
  const { show } = say
  const by = ({ by: person }: { by?: { name: string } }) => (person ? ` (${person.name})` : '')
  const read = (name: string, when: 'before' | 'after', reading: UnitLedger['before']) => {
    if (!reading) return []
    const { codes, restKPa, pressedKPa, noSensor, calibration } = reading
    const parts = [
      say(
        fact('event-unit-read', {
          unit: name,
          when: fact(`unit-${when}`),
          codes: codes.map(({ code, says, is }) => `${code} ${says} (${is})`),
          restKPa,
        }),
      ),
      ...(pressedKPa === undefined ? [] : [`${show('pressure', pressedKPa)} under a firm foot`]),
      ...(noSensor ? ['no pressure sensor'] : []),
      ...(calibration ? [calibrations[calibration]] : []),
    ]
    return [`${parts.join(', ')}${by(reading)}`]
  }
  return partsOf(vehicle, 'control-unit').flatMap((part) => {
    const { before, after, fitted } = units[part.id] ?? {}
    const name = say(partFact(part))
    return [
      ...(fitted
        ? [
            `${say(fact('event-unit-fitted', { unit: name, old: fitted.oldNumber, new: fitted.newNumber, origin: fact(`unit-${fitted.origin}`) }))}, plug faces ${fitted.faces}${fitted.makersWord ? `; the maker: ${fitted.makersWord}` : ''}${by(fitted)}`,
          ]
        : []),
      ...read(name, 'before', before),
      ...read(name, 'after', after),
    ]
  })
}
