import { z } from 'zod'
import { purge as compute } from '../../physics/exchange/purge'
import { calculator } from './calculator'
import { above, between } from './fields'

export const purge = calculator(
  'purge',
  z.object({
    volumeMl: above(0, 1e6, 'mL'),
    tanks: z.int('give a whole number').min(1, 'give 1 or more').max(200, 'give 200 or less'),
    targetOldPct: between(1e-6, 99.999, '%'),
  }),
  compute,
  {
    formula: 'old share at the outlet = e^(−Nθ)·Σ (Nθ)^i/i! for i < N; a bare tube 1/(4θ²)',
    source: 'Levenspiel, tanks-in-series and laminar residence time',
    limits:
      'Share at the outlet for a clean feed; what is left behind on average is lower. A line with a caliper acts as about three tanks (common practice).',
  },
)
