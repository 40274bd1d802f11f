import { type Check, second } from '../check'

/** A sample boiled, or its water read. */
export const boiling: Check = {
  id: 'boiling',
  minutes: 5,
  results: ['above-limit', 'below-limit'],
  complaints: ['fades-hot', 'soft-pedal', 'no-pedal'],
  otherwise: second(0.25),
  under: {
    'fluid-boils': second(0.93),
  },
}
