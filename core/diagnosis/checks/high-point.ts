import { type Check, second } from '../check'
import { airy } from '../complaints'

/** Where each bleeder sits on its brake. */
export const highPoint: Check = {
  id: 'high-point',
  minutes: 3,
  steps: 2,
  results: ['at-top', 'not-at-top'],
  where: ['not-at-top'],
  complaints: [...airy, 'no-pedal'],
  otherwise: second(0.015),
  under: {
    'bleeder-not-at-top': second(0.96),
  },
}
