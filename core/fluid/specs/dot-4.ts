import type { Fluid } from './fluid'

/** @source FMVSS No. 116 for the limits (recalled); typical viscosity is common for a plain product */
export const dot4: Fluid = {
  spec: 'DOT 4',
  base: 'glycol',
  dryC: 230,
  wetC: 155,
  coldViscosityMaxMm2PerS: 1800,
  typical: [
    { tempC: -40, mm2PerS: 1300 },
    { tempC: 100, mm2PerS: 2.1 },
  ],
  densityKgM3: 1060,
  expansionPerK: 0.00075,
  newColours: ['new', 'amber'],
  source: 'FMVSS No. 116, 49 CFR 571.116 (recalled)',
}
