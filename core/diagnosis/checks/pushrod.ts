import type { Check } from '../check'

/** The play between pushrod and piston. */
export const pushrod: Check = {
  id: 'pushrod',
  minutes: 10,
  steps: 2,
  results: ['clear', 'tight', 'slack'],
  complaints: ['soft-pedal', 'low-pedal', 'no-pedal', 'drag-all', 'drag-one', 'fades-hot', 'no-clutch'],
  otherwise: [0.95, 0.025, 0.025],
  under: {
    'pushrod-tight': [0.05, 0.945, 0.005],
    'pushrod-slack': [0.05, 0.005, 0.945],
  },
}
