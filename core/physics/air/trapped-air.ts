import { ImpossibleInput } from '../../base/fault'
import { ATMOSPHERE_KPA } from '../atmosphere'
import { cylinderMl } from '../hydraulics/cylinder'

/**
 * Share of trapped air's volume that pressure takes away, and that the cylinder must move more.
 *
 * @param pressureKPa gauge, 0 or more
 * @returns 0 to 1; 0.98 at 5 MPa
 * @source Boyle's law
 */
export const squeezedShare = (pressureKPa: number): number => pressureKPa / (pressureKPa + ATMOSPHERE_KPA)

/**
 * Air in the system, from how much further the pedal goes than it should at one pressure.
 *
 * One mL behind a 23.8 mm bore at a pedal ratio of 4 costs about 9 mm of pedal. All of the extra travel counts as
 * air here: swelling hoses and clearance look the same at one effort, so take three for a judgement.
 *
 * @param extraTravelMm at the pedal, beyond what the same vehicle shows without air
 * @param pressureKPa line pressure, gauge, above 0
 * @returns mL of air at 101.325 kPa
 * @throws ImpossibleInput with the field at fault
 * @source Boyle's law; geometry
 */
export function trappedAir(input: {
  boreMm: number
  pedalRatio: number
  extraTravelMm: number
  pressureKPa: number
}): { airMl: number } {
  const { boreMm, pedalRatio, extraTravelMm, pressureKPa } = input
  if (!(boreMm > 0)) throw new ImpossibleInput('boreMm', 'give a bore above 0 mm')
  if (!(pedalRatio > 0)) throw new ImpossibleInput('pedalRatio', 'give a pedal ratio above 0')
  if (!(extraTravelMm >= 0)) throw new ImpossibleInput('extraTravelMm', 'give a travel of 0 mm or more')
  if (!(pressureKPa > 0)) throw new ImpossibleInput('pressureKPa', 'give a line pressure above 0 kPa')
  return { airMl: cylinderMl(boreMm, extraTravelMm / pedalRatio) / squeezedShare(pressureKPa) }
}
