import { z } from 'zod'
import { waterFromBoiling as compute } from '../../physics/moisture/boiling-point'
import { lowerAtHeightC } from '../../physics/moisture/height'
import { boilingAbout } from './boiling-point'
import { calculator } from './calculator'
import { between, boilingPairFields, heightField } from './fields'

export const waterFromBoiling = calculator(
  'water-from-boiling',
  z.object({ ...boilingPairFields, boilingC: between(0, 370, '°C'), heightM: heightField }),
  ({ heightM, ...input }) => compute({ ...input, boilingC: input.boilingC + lowerAtHeightC(heightM) }),
  boilingAbout,
)
