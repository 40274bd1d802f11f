import type { Fluid } from './fluid'

/** Hydraulic mineral oil of a few systems: no standard of FMVSS 116 applies. @source common practice */
export const mineral: Fluid = {
  spec: 'mineral',
  base: 'mineral',
  typical: [
    { tempC: -40, mm2PerS: 1100 },
    { tempC: 100, mm2PerS: 6 },
  ],
  densityKgM3: 860,
  expansionPerK: 0.0007,
  newColours: ['new', 'green'],
  source: 'common practice',
}
