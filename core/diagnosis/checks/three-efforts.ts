import type { Check } from '../check'
import { spongy } from '../complaints'

/** Travel at three efforts or more, one of them light: air bends the curve, a hose that swells does not. */
export const threeEfforts: Check = {
  id: 'three-efforts',
  minutes: 12,
  steps: 4,
  results: ['straight', 'curved', 'cannot-tell'],
  complaints: spongy,
  otherwise: [0.6, 0.15, 0.25],
  under: {
    'air-lines': [0.1, 0.75, 0.15],
    'air-cylinder': [0.1, 0.75, 0.15],
    'air-unit': [0.12, 0.7, 0.18],
    'bleeder-not-at-top': [0.1, 0.75, 0.15],
    'hose-soft': [0.77, 0.1, 0.13],
    'cylinder-bypass': [0.2, 0.2, 0.6],
    'shoes-out': [0.45, 0.3, 0.25],
    'pads-knocked-back': [0.45, 0.25, 0.3],
    'outside-leak': [0.2, 0.2, 0.6],
  },
}
