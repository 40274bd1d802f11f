import { type Check, second } from '../check'

/** Left to stand, at least overnight, and pressed again. */
export const stood: Check = {
  id: 'stood',
  minutes: 5,
  steps: 2,
  results: ['firm', 'gone'],
  complaints: ['soft-pedal', 'sinking-pedal', 'low-pedal'],
  said: ['lost-after-standing'],
  otherwise: second(0.1),
  under: {
    'cylinder-bypass': second(0.55),
    'outside-leak': second(0.75),
    'booster-leak': second(0.6),
    'cylinder-no-draw': second(0.6),
    'air-lines': second(0.2),
    'air-cylinder': second(0.3),
    'pads-knocked-back': second(0.2),
  },
}
