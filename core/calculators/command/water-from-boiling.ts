import { z } from 'zod'
import { waterFromBoiling as compute, waterRange } from '../../physics/moisture/boiling-point'
import { airPressureKPa } from '../../physics/moisture/height'
import { boilingPoint } from './boiling-point'
import { calculator } from './calculator'
import { between, boilingPairFields, heightField } from './fields'

export const waterFromBoiling = calculator(
  'water-from-boiling',
  z.object({ ...boilingPairFields, boilingC: between(0, 370, '°C'), heightM: heightField }),
  z.strictObject({
    waterPct: z.number(),
    lowPct: z.number(),
    highPct: z.number(),
    beyondModel: z.literal(true).optional(),
  }),
  ({ heightM, ...input }) => {
    const boiled = { ...input, pressureKPa: airPressureKPa(heightM) }
    return { ...compute(boiled), ...waterRange(boiled) }
  },
  boilingPoint.about,
)
