import { z } from 'zod'
import { flowMlPerMin, headKPa, highestReynolds } from '../../physics/hydraulics/flow'
import { LAMINAR_REYNOLDS } from '../../physics/hydraulics/friction'
import { calculator } from './calculator'
import { between, liquidFields, segmentsField } from './fields'

export const flowAbout = {
  formula: 'ΔP = Σ 128·μ·L·Q/(π·d⁴) + (ρ/2)·(Q/(Cd·A))²; ΔP is pressure + vacuum + ρ·g·h',
  source: 'Hagen–Poiseuille; Blasius 1913 above Reynolds 2300; sharp-edged orifice, Cd 0.61',
  limits:
    'Smooth round tube, steady flow, fluid at one temperature. The inner passages of a control unit count as wide open.',
}

export const flow = calculator(
  'flow',
  z.object({
    segments: segmentsField,
    pressureKPa: between(0, 50_000, 'kPa'),
    headM: between(-100, 100, 'm').default(0),
    ...liquidFields,
  }),
  ({ segments, pressureKPa, headM, ...liquid }) => {
    const mlPerMin = flowMlPerMin(segments, pressureKPa + headKPa(headM, liquid.densityKgM3), liquid)
    const reynolds = highestReynolds(segments, mlPerMin, liquid.mm2PerS)
    return { mlPerMin, reynolds, laminar: reynolds <= LAMINAR_REYNOLDS }
  },
  flowAbout,
)
