import type { Check } from '../check'

/** What each bleeder gives by the same push. */
export const flow: Check = {
  id: 'flow',
  minutes: 20,
  steps: 4,
  setUp: 'hose-on',
  results: ['even', 'weak-all', 'weak-one', 'none-one', 'none'],
  where: ['weak-one', 'none-one'],
  complaints: [
    'soft-pedal',
    'low-pedal',
    'no-pedal',
    'lost-after-standing',
    'drag-one',
    'drag-all',
    'pulls-to-one-side',
    'hard-pedal',
    'no-clutch',
    'air-never-ends',
  ],
  said: ['no-flow-one'],
  otherwise: [0.9, 0.04, 0.04, 0.01, 0.01],
  under: {
    'hose-closed': [0.12, 0.01, 0.6, 0.26, 0.01],
    'bleeder-blocked': [0.02, 0.01, 0.35, 0.61, 0.01],
    'line-blocked': [0.03, 0.01, 0.4, 0.55, 0.01],
    'cylinder-no-draw': [0.03, 0.17, 0.05, 0.25, 0.5],
    'unit-valve': [0.45, 0.03, 0.32, 0.19, 0.01],
    'cylinder-no-return': [0.86, 0.09, 0.03, 0.01, 0.01],
    'outside-leak': [0.7, 0.18, 0.1, 0.01, 0.01],
  },
}
