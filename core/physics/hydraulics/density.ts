/** At 20 °C, and the share of its volume gained per degree. */
type Expands = { densityKgM3: number; expansionPerK: number }

/**
 * Density of a brake fluid at a temperature: it thins out in a straight line as it warms.
 *
 * DOT 4 of 1060 kg/m³ at 20 °C has about 1100 at −30 °C and 1001 at 100 °C.
 *
 * @param tempC −60 to 200 °C
 * @returns kg/m³
 * @source linear thermal expansion; the coefficients are typical values from memory
 */
export const densityKgM3 = ({ densityKgM3: at20C, expansionPerK }: Expands, tempC: number): number =>
  at20C * (1 - expansionPerK * (tempC - 20))
