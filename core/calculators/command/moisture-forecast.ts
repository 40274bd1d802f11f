import { z } from 'zod'
import { moistureForecast as compute } from '../../physics/moisture/forecast'
import { calculator } from './calculator'
import { above, between, dateField } from './fields'

export const moistureForecast = calculator(
  'moisture-forecast',
  z.object({
    readings: z
      .array(
        z.object({ date: dateField, waterPct: between(0, 100, '%'), errorPct: above(0, 10, '%').optional() }),
        'give a list of readings',
      )
      .max(200, 'give at most 200 readings'),
    limitPct: above(0, 7.9, '%'),
    today: dateField,
    /** Day of the last exchange: a reading of fresh fluid, and what came before counts no more. */
    freshOn: dateField.optional(),
  }),
  z.strictObject({
    dueEarliest: z.iso.date(),
    dueLikely: z.iso.date(),
    dueLatest: z.iso.date(),
    basis: z.enum(['fitted', 'default']),
    readOn: z.iso.date().optional(),
    fellOn: z.iso.date().optional(),
  }),
  compute,
)
