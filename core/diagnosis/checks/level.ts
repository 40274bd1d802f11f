import type { Check } from '../check'
import { complaintIds } from '../complaints'

/** The level as it stands. */
export const level: Check = {
  id: 'level',
  minutes: 3,
  results: ['full', 'low', 'empty'],
  first: true,
  complaints: complaintIds,
  said: ['low-level'],
  otherwise: [0.86, 0.12, 0.02],
  under: {
    'outside-leak': [0.15, 0.6, 0.25],
    'pad-wear': [0.1, 0.88, 0.02],
    'booster-leak': [0.3, 0.6, 0.1],
    overfilled: [1, 0, 0],
    'air-lines': [0.78, 0.17, 0.05],
    'air-cylinder': [0.72, 0.2, 0.08],
    'cylinder-no-draw': [0.7, 0.2, 0.1],
    'cylinder-bypass': [0.8, 0.17, 0.03],
  },
}
