import { type Check, second } from '../check'
import { airy } from '../complaints'

/** A light foot, held half a minute. */
export const holdLight: Check = {
  id: 'hold-light',
  minutes: 2,
  steps: 3,
  results: ['holds', 'sinks'],
  holdS: 30,
  complaints: airy,
  said: ['sinking-pedal'],
  otherwise: second(0.04),
  under: {
    'cylinder-bypass': second(0.7),
    'outside-leak': second(0.6),
    'booster-leak': second(0.5),
    'unit-valve': second(0.5),
  },
}
