import { type Check, second } from '../check'

/** What the worn pads hold, against what is missing. */
export const wearSum: Check = {
  id: 'wear-sum',
  minutes: 10,
  results: ['does-not', 'explains'],
  complaints: ['low-level', 'soft-pedal', 'sinking-pedal', 'low-pedal', 'lost-after-standing'],
  onlyLow: true,
  otherwise: second(0.28),
  under: {
    'pad-wear': second(0.95),
    'outside-leak': second(0.15),
    'booster-leak': second(0.15),
  },
}
