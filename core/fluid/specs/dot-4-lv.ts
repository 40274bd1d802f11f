import type { Fluid } from './fluid'

/** Low viscosity, for fast stability control. @source ISO 4925:2020 class 6 for the limits (recalled) */
export const dot4lv: Fluid = {
  spec: 'DOT 4 LV',
  base: 'glycol',
  dryC: 250,
  wetC: 165,
  coldViscosityMaxMm2PerS: 750,
  typical: [
    { tempC: -40, mm2PerS: 680 },
    { tempC: 100, mm2PerS: 2.0 },
  ],
  densityKgM3: 1060,
  expansionPerK: 0.00075,
  newColours: ['new', 'amber'],
  source: 'ISO 4925:2020 class 6 (recalled)',
}
