import { z } from 'zod'
import { restriction as compute } from '../../physics/hydraulics/restriction'
import { calculator } from './calculator'
import { above, between, liquidFields, segmentsField } from './fields'

export const restriction = calculator(
  'restriction',
  z.object({
    segments: segmentsField,
    pressureKPa: above(0, 50_000, 'kPa').min(1e-3, 'give 0.001 kPa or more'),
    mlPerMin: between(0, 1e6, 'mL/min'),
    ...liquidFields,
  }),
  compute,
  {
    formula: 'R = ΔP/Q − R of the other pieces; d = (128·μ·L/(π·R))^¼ over the suspected piece’s length',
    source:
      'Hagen–Poiseuille solved for the bore, Blasius 1913 above laminar; half of expected is common practice',
    limits: 'The bore holds for the length assumed: a short pinch of the same effect is much narrower.',
  },
)
