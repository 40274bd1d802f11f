import { type Check, second } from '../check'

/** The cylinder loosened from what pushes it: what frees then was held by the rod. */
export const loosenCylinder: Check = {
  id: 'loosen-cylinder',
  minutes: 12,
  steps: 4,
  setUp: 'wheels-up',
  results: ['stays', 'frees'],
  complaints: ['drag-all'],
  otherwise: second(0.07),
  under: {
    'pushrod-tight': second(0.93),
    'cylinder-no-return': second(0.07),
    'seals-swollen': second(0.1),
  },
  cautions: ['wheel-on-stands'],
}
