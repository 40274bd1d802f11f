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
  compute,
  {
    formula:
      'w = S·(1 − e^(−k·t)); k is the median of all slopes between two readings, weighed against the usual rise by how surely they tell it',
    source: 'first-order uptake; Theil 1950 and Sen 1968; with too few readings 1 to 2 % a year, from memory',
    limits:
      'Nine of ten lie within the range, by the errors given (0.75 % where none is). A fall beyond error counts as an exchange nobody wrote down; a rise below 0.4 % a year is not believed. A forecast, not a measurement: test before the early date.',
  },
)
