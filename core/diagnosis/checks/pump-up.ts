import { type Check, second } from '../check'
import { airy } from '../complaints'

/** A few quick presses: is the pedal higher and harder? */
export const pumpUp: Check = {
  id: 'pump-up',
  minutes: 1,
  results: ['same', 'improves'],
  complaints: [...airy, 'no-pedal'],
  otherwise: second(0.25),
  under: {
    'air-lines': second(0.9),
    'air-cylinder': second(0.8),
    'air-unit': second(0.75),
    'cylinder-bypass': second(0.35),
    'shoes-out': second(0.95),
    'bleeder-not-at-top': second(0.85),
    'pads-knocked-back': second(0.9),
    'pushrod-slack': second(0.5),
    'cylinder-no-draw': second(0.2),
    'hose-soft': second(0.25),
    'outside-leak': second(0.4),
    'pad-wear': second(0.5),
  },
}
