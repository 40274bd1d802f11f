import type { Check } from '../check'
import { spongy } from '../complaints'

/** What the hose shows over ten pulls. */
export const bubbles: Check = {
  id: 'bubbles',
  minutes: 10,
  steps: 3,
  setUp: 'hose-on',
  results: ['none', 'thin-out', 'never-end'],
  where: ['never-end'],
  complaints: [...spongy, 'sinking-pedal', 'no-pedal', 'no-clutch'],
  said: ['air-never-ends'],
  otherwise: [0.86, 0.11, 0.03],
  under: {
    'air-lines': [0.12, 0.76, 0.12],
    'air-cylinder': [0.35, 0.3, 0.35],
    'air-unit': [0.75, 0.2, 0.05],
    'bleeder-not-at-top': [0.4, 0.2, 0.4],
    'cylinder-no-draw': [0.35, 0.15, 0.5],
    'false-bubbles': [0.02, 0.03, 0.95],
    'cylinder-bypass': [0.7, 0.2, 0.1],
    'outside-leak': [0.55, 0.25, 0.2],
  },
}
