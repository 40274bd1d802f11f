import { z } from 'zod'
import { flowMlPerMin, headKPa, highestReynolds } from '../../physics/hydraulics/flow'
import { LAMINAR_REYNOLDS } from '../../physics/hydraulics/friction'
import { calculator } from './calculator'
import { between, liquidFields, segmentsField } from './fields'

export const flow = calculator(
  'flow',
  z.object({
    segments: segmentsField,
    pressureKPa: between(0, 50_000, 'kPa'),
    headM: between(-100, 100, 'm').default(0),
    ...liquidFields,
  }),
  z.strictObject({ mlPerMin: z.number(), reynolds: z.number(), laminar: z.boolean() }),
  ({ segments, pressureKPa, headM, ...liquid }) => {
    const mlPerMin = flowMlPerMin(segments, pressureKPa + headKPa(headM, liquid.densityKgM3), liquid)
    const reynolds = highestReynolds(segments, mlPerMin, liquid.mm2PerS)
    return { mlPerMin, reynolds, laminar: reynolds <= LAMINAR_REYNOLDS }
  },
)
