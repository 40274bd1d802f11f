import { ImpossibleInput } from '../../base/fault'

/** Kinematic viscosity at one temperature. */
export type ViscosityPoint = { tempC: number; mm2PerS: number }

/** Thicker than pitch at room temperature: nothing that is called a fluid. @source from memory */
const THICKEST_MM2_PER_S = 1e9

const walther = (mm2PerS: number) => Math.log10(Math.log10(mm2PerS + 0.7))

/**
 * Kinematic viscosity between (or a little beyond) two published points: log10 log10(ν + 0.7) falls on a
 * straight line over the logarithm of absolute temperature.
 *
 * The short form is good above 2 mm²/s and within about half a per cent for brake fluids.
 * A DOT 4 of 1300 mm²/s at −40 °C and 2.1 at 100 °C has about 15.5 at 20 °C.
 *
 * @throws ImpossibleInput for equal temperatures, a viscosity that rises as it warms, one the form cannot hold
 *   (0.3 mm²/s or less), or a temperature so far off that nothing flows
 * @source Walther's equation, ASTM D341
 */
export function viscosityMm2PerS(points: readonly [ViscosityPoint, ViscosityPoint], tempC: number): number {
  const [a, b] = points
  for (const [i, point] of points.entries()) {
    if (!(point.mm2PerS > 0.31))
      throw new ImpossibleInput(`points.${i}.mm2PerS`, 'give a viscosity above 0.31 mm²/s')
    if (!(point.tempC > -100 && point.tempC < 300))
      throw new ImpossibleInput(`points.${i}.tempC`, 'give a temperature between −100 and 300 °C')
  }
  const [colder, warmer] = a.tempC < b.tempC ? [a, b] : [b, a]
  if (warmer.mm2PerS >= colder.mm2PerS && a.tempC !== b.tempC)
    throw new ImpossibleInput(
      `points.${points.indexOf(warmer)}.mm2PerS`,
      `give less than ${colder.mm2PerS} mm²/s: a fluid gets thinner as it warms`,
    )
  if (a.tempC === b.tempC)
    throw new ImpossibleInput('points.1.tempC', 'give two points at different temperatures')
  if (!(tempC > -100 && tempC < 300))
    throw new ImpossibleInput('tempC', 'give a temperature between −100 and 300 °C')
  const logK = (c: number) => Math.log10(c + 273.15)
  const slope = (walther(b.mm2PerS) - walther(a.mm2PerS)) / (logK(b.tempC) - logK(a.tempC))
  const w = walther(a.mm2PerS) + slope * (logK(tempC) - logK(a.tempC))
  const mm2PerS = 10 ** (10 ** w) - 0.7
  if (!(mm2PerS <= THICKEST_MM2_PER_S))
    throw new ImpossibleInput(
      'tempC',
      'so far from these two points the fluid would be solid: give nearer ones',
    )
  return mm2PerS
}
