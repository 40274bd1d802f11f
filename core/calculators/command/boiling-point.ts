import { z } from 'zod'
import { boilingPoint as compute } from '../../physics/moisture/boiling-point'
import { lowerAtHeightC } from '../../physics/moisture/height'
import { calculator } from './calculator'
import { between, boilingPairFields, heightField } from './fields'

export const boilingAbout = {
  formula:
    'x·γ·Pw(T) + (1 − x)·Pg(T) = 101.325 kPa, γ fitted so that 3.7 % water boils at the wet boiling point',
  source:
    'Raoult’s law; water by Wagner & Pruss 1993 (IAPWS SR1-86); anchors of FMVSS 116 or the product’s own data sheet; height by FMVSS 116 S6.1 (recalled)',
  limits:
    'A fit, so the band is part of the answer: never read tenths from it. Beyond 6 % water it is an extrapolation. Not for silicone or mineral oil.',
}

export const boilingPoint = calculator(
  'boiling-point',
  z.object({ ...boilingPairFields, waterPct: between(0, 100, '%'), heightM: heightField }),
  ({ heightM, ...input }) => {
    const { boilingC, bandC } = compute(input)
    return { boilingC: boilingC - lowerAtHeightC(heightM), bandC }
  },
  boilingAbout,
)
