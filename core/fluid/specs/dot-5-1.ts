import type { Fluid } from './fluid'

/** @source FMVSS No. 116 for the limits (recalled); typical viscosity from memory */
export const dot51: Fluid = {
  spec: 'DOT 5.1',
  base: 'glycol',
  dryC: 260,
  wetC: 180,
  coldViscosityMaxMm2PerS: 900,
  typical: [
    { tempC: -40, mm2PerS: 820 },
    { tempC: 100, mm2PerS: 2.1 },
  ],
  densityKgM3: 1065,
  expansionPerK: 0.00075,
  newColours: ['new', 'amber'],
  source: 'FMVSS No. 116, 49 CFR 571.116 (recalled)',
}
