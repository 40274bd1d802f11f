import { z } from 'zod'
import { boilingPoint as compute, MODEL_ENDS_PCT } from '../../physics/moisture/boiling-point'
import { airPressureKPa } from '../../physics/moisture/height'
import { calculator } from './calculator'
import { between, boilingPairFields, heightField } from './fields'

export const boilingAbout = {
  formula:
    'x·γ·Pw(T) + (1 − x)·Pg(T) = pressure of the air, γ fitted so that 3.7 % water boils at the wet boiling point',
  source:
    'Raoult’s law; water by Wagner & Pruss 1993 (IAPWS SR1-86); anchors of FMVSS 116 or the product’s own data sheet; air pressure by ISO 2533 (recalled)',
  limits:
    'A fit, so the band is part of the answer (3 to 5 % at the wet point, other solvents): never read tenths from it. Beyond 6 % water γ is not known, and the band reaches to free water. At a height the standard’s round 0.04 °C per mmHg (recalled) takes 1 to 2 °C less for 1000 m. Not for silicone or mineral oil.',
}

export const boilingPoint = calculator(
  'boiling-point',
  z.object({ ...boilingPairFields, waterPct: between(0, 100, '%'), heightM: heightField }),
  ({ heightM, ...input }) => ({
    ...compute({ ...input, pressureKPa: airPressureKPa(heightM) }),
    ...(input.waterPct > MODEL_ENDS_PCT && { beyondModel: true }),
  }),
  boilingAbout,
)
