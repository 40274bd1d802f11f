import { z } from 'zod'
import { boilingPoint as compute, MODEL_ENDS_PCT } from '../../physics/moisture/boiling-point'
import { airPressureKPa } from '../../physics/moisture/height'
import { calculator } from './calculator'
import { between, boilingPairFields, heightField } from './fields'

export const boilingPoint = calculator(
  'boiling-point',
  z.object({ ...boilingPairFields, waterPct: between(0, 100, '%'), heightM: heightField }),
  z.strictObject({ boilingC: z.number(), bandC: z.number(), beyondModel: z.literal(true).optional() }),
  ({ heightM, ...input }) => ({
    ...compute({ ...input, pressureKPa: airPressureKPa(heightM) }),
    ...(input.waterPct > MODEL_ENDS_PCT && { beyondModel: true }),
  }),
)
