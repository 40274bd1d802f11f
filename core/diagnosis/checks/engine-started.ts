import { type Check, second } from '../check'

/** Pumped until it is hard, held, engine started: the pedal drops a little where the booster helps. */
export const engineStarted: Check = {
  id: 'engine-started',
  minutes: 2,
  results: ['drops', 'stays'],
  complaints: ['hard-pedal'],
  possible: ({ booster }) => booster,
  otherwise: second(0.06),
  under: {
    'booster-no-help': second(0.92),
    'booster-leak': second(0.4),
  },
}
