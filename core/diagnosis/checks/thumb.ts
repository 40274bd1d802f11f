import type { Check } from '../check'

/** A thumb over the port: it pushes when pressed, and draws back when let go. */
export const thumb: Check = {
  id: 'thumb',
  minutes: 20,
  steps: 4,
  setUp: 'ports-open',
  results: ['pushes-and-draws', 'pushes-only', 'nothing'],
  complaints: [
    'soft-pedal',
    'sinking-pedal',
    'low-pedal',
    'no-pedal',
    'lost-after-standing',
    'no-clutch',
    'no-flow-one',
    'air-never-ends',
  ],
  otherwise: [0.93, 0.05, 0.02],
  under: {
    'cylinder-no-draw': [0.08, 0.77, 0.15],
    'cylinder-bypass': [0.55, 0.15, 0.3],
    'pushrod-slack': [0.7, 0.1, 0.2],
    'air-cylinder': [0.6, 0.2, 0.2],
  },
  cautions: ['eye-protection', 'fluid-eats-paint'],
}
