import { type Check, second } from '../check'
import { airy } from '../complaints'

/** A firm foot, held half a minute. */
export const holdFirm: Check = {
  id: 'hold-firm',
  minutes: 2,
  steps: 3,
  results: ['holds', 'sinks'],
  holdS: 30,
  complaints: airy,
  said: ['sinking-pedal'],
  otherwise: second(0.04),
  under: {
    'cylinder-bypass': second(0.7),
    'outside-leak': second(0.85),
    'booster-leak': second(0.5),
    'unit-valve': second(0.6),
  },
}
