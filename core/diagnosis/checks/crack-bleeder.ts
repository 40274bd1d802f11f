import { type Check, second } from '../check'

/** The bleeder of a wheel that drags, cracked: a wheel that frees at once was held by pressure. */
export const crackBleeder: Check = {
  id: 'crack-bleeder',
  minutes: 8,
  steps: 4,
  setUp: 'wheels-up',
  results: ['stays', 'frees'],
  where: ['stays', 'frees'],
  complaints: ['drag-one', 'drag-all', 'pulls-to-one-side'],
  otherwise: second(0.1),
  under: {
    'hose-closed': second(0.93),
    'cylinder-no-return': second(0.93),
    'pushrod-tight': second(0.93),
    overfilled: second(0.9),
    'seals-swollen': second(0.6),
    'line-blocked': second(0.85),
    'unit-valve': second(0.85),
    'brake-seized': second(0.06),
  },
  cautions: ['rag-and-shield', 'wheel-on-stands'],
}
