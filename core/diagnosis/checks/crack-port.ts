import { type Check, second } from '../check'

/** The nut at the cylinder’s port, cracked: what frees there is held from the cylinder. */
export const crackPort: Check = {
  id: 'crack-port',
  minutes: 10,
  steps: 4,
  setUp: 'wheels-up',
  results: ['stays', 'frees'],
  complaints: ['drag-one', 'drag-all', 'pulls-to-one-side'],
  otherwise: second(0.1),
  under: {
    'cylinder-no-return': second(0.93),
    'pushrod-tight': second(0.93),
    overfilled: second(0.9),
    'seals-swollen': second(0.6),
    'hose-closed': second(0.05),
    'line-blocked': second(0.05),
    'unit-valve': second(0.1),
    'brake-seized': second(0.04),
  },
  cautions: ['rag-and-shield', 'wheel-on-stands'],
}
