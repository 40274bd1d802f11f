/** Minimum boiling points and cold viscosity of one class. */
export type Iso4925Class = { dryC: number; wetC: number; coldViscosityMaxMm2PerS: number }

/**
 * Classes of ISO 4925:2020; all at least 1.5 mm²/s at 100 °C.
 * @source ISO 4925:2020 (recalled; class 7 less surely)
 */
export const iso4925: Record<'3' | '4' | '5-1' | '6' | '7', Iso4925Class> = {
  '3': { dryC: 205, wetC: 140, coldViscosityMaxMm2PerS: 1500 },
  '4': { dryC: 230, wetC: 155, coldViscosityMaxMm2PerS: 1500 },
  '5-1': { dryC: 260, wetC: 180, coldViscosityMaxMm2PerS: 900 },
  '6': { dryC: 250, wetC: 165, coldViscosityMaxMm2PerS: 750 },
  '7': { dryC: 260, wetC: 180, coldViscosityMaxMm2PerS: 750 },
}
