import { type Check, second } from '../check'

/** Where each bleeder sits on its brake. */
export const highPoint: Check = {
  id: 'high-point',
  minutes: 3,
  results: ['at-top', 'not-at-top'],
  where: ['not-at-top'],
  complaints: [
    'soft-pedal',
    'low-pedal',
    'no-pedal',
    'springy-middle',
    'lost-after-standing',
    'air-never-ends',
    'no-clutch',
  ],
  otherwise: second(0.015),
  under: {
    'bleeder-not-at-top': second(0.96),
  },
}
