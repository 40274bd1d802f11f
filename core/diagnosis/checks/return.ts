import { type Check, second } from '../check'

/** Pressed hard and let go: is the wheel free at once? */
export const returnTest: Check = {
  id: 'return',
  minutes: 10,
  steps: 3,
  setUp: 'wheels-up',
  results: ['returns', 'does-not'],
  where: ['does-not'],
  complaints: ['drag-one', 'drag-all', 'pulls-to-one-side', 'fades-hot'],
  otherwise: second(0.05),
  under: {
    'hose-closed': second(0.8),
    'cylinder-no-return': second(0.75),
    'pushrod-tight': second(0.75),
    overfilled: second(0.6),
    'seals-swollen': second(0.75),
    'brake-seized': second(0.85),
    'line-blocked': second(0.7),
    'shoes-out': second(0.3),
  },
  cautions: ['wheel-on-stands'],
}
