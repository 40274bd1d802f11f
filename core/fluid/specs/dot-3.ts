import type { Fluid } from './fluid'

/** @source FMVSS No. 116 for the limits (recalled); typical viscosity from memory */
export const dot3: Fluid = {
  spec: 'DOT 3',
  base: 'glycol',
  dryC: 205,
  wetC: 140,
  coldViscosityMaxMm2PerS: 1500,
  typical: [
    { tempC: -40, mm2PerS: 1250 },
    { tempC: 100, mm2PerS: 2.0 },
  ],
  densityKgM3: 1050,
  expansionPerK: 0.00075,
  newColours: ['new', 'amber'],
  source: 'FMVSS No. 116, 49 CFR 571.116 (recalled)',
}
