import { z } from 'zod'
import { wearDrop as compute } from '../../physics/exchange/wear-drop'
import { calculator } from './calculator'
import { between, pistonsField } from './fields'

export const wearDrop = calculator(
  'wear-drop',
  z.object({ pistons: pistonsField, wearMm: between(0, 200, 'mm') }),
  z.strictObject({ ml: z.number() }),
  compute,
)
