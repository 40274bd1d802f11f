import type { Fluid } from './fluid'

/** Silicone: takes up no water, mixes with no other. @source FMVSS No. 116 for the limits (recalled) */
export const dot5: Fluid = {
  spec: 'DOT 5',
  base: 'silicone',
  dryC: 260,
  wetC: 180,
  coldViscosityMaxMm2PerS: 900,
  typical: [
    { tempC: -40, mm2PerS: 300 },
    { tempC: 100, mm2PerS: 14 },
  ],
  densityKgM3: 960,
  expansionPerK: 0.00095,
  newColours: ['new', 'purple'],
  source: 'FMVSS No. 116, 49 CFR 571.116 (recalled)',
}
