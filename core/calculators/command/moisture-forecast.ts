import { z } from 'zod'
import { moistureForecast as compute } from '../../physics/moisture/forecast'
import { calculator } from './calculator'
import { above, between, dateField } from './fields'

export const moistureForecast = calculator(
  'moisture-forecast',
  z.object({
    readings: z
      .array(z.object({ date: dateField, waterPct: between(0, 100, '%') }), 'give a list of readings')
      .min(1, 'give at least one reading')
      .max(200, 'give at most 200 readings'),
    limitPct: above(0, 7.9, '%'),
    today: dateField,
  }),
  compute,
  {
    formula: 'w = S·(1 − e^(−k·t)); k is the median of all slopes between two readings',
    source: 'first-order uptake; Theil 1950 and Sen 1968; with too few readings 1 to 2 % a year, from memory',
    limits: 'Readings since the last exchange. A forecast, not a measurement: test before the early date.',
  },
)
