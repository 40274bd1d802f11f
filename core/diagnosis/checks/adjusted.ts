import { type Check, second } from '../check'

/** Shoes or the parking brake adjusted, and pressed again. */
export const adjusted: Check = {
  id: 'adjusted',
  minutes: 25,
  results: ['same', 'firm'],
  complaints: ['soft-pedal', 'low-pedal', 'no-pedal', 'springy-middle', 'pulls-to-one-side'],
  possible: ({ drums }) => drums,
  otherwise: second(0.04),
  under: {
    'shoes-out': second(0.95),
    'pads-knocked-back': second(0.1),
  },
  ends: { result: 'firm', mends: ['shoes-out'] },
  cautions: ['wheel-on-stands'],
}
