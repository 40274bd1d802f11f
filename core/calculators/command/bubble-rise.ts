import { z } from 'zod'
import { bubbleRise as compute } from '../../physics/air/bubble-rise'
import { calculator } from './calculator'
import { above, between, liquidFields } from './fields'

export const bubbleRise = calculator(
  'bubble-rise',
  z.object({
    bubbleMm: above(0, 20, 'mm').min(1e-3, 'give 0.001 mm or more'),
    depthMm: between(0, 10_000, 'mm'),
    mm2PerS: liquidFields.mm2PerS,
  }),
  compute,
  {
    formula: 'v = g·d²/(18·ν)',
    source: 'Stokes’s law for a rigid sphere',
    limits:
      'Clean bubbles rise up to 1.5 times as fast, so the wait is on the safe side. Good to about 0.75 mm at 20 °C; larger ones rise slower than this says.',
  },
)
