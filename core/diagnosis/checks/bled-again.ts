import { type Check, second } from '../check'
import { airy } from '../complaints'
import { bleed } from '../repairs/bleed'

/** Bled once more, every place. */
export const bledAgain: Check = {
  id: 'bled-again',
  minutes: 0,
  results: ['same', 'firm'],
  complaints: [...airy, 'no-pedal'],
  does: bleed,
  otherwise: second(0.04),
  under: {
    'air-lines': second(0.88),
    'air-cylinder': second(0.45),
    'air-unit': second(0.2),
    'bleeder-not-at-top': second(0.05),
  },
  ends: { result: 'firm', mends: ['air-lines', 'air-cylinder', 'air-unit'] },
}
