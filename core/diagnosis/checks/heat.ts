import type { Check } from '../check'

/** Hubs and drums as it came in, by the back of a hand or a thermometer: nobody drives it for this. */
export const heat: Check = {
  id: 'heat',
  minutes: 4,
  results: ['none', 'one', 'all'],
  where: ['one'],
  complaints: ['pulls-to-one-side', 'fades-hot', 'hard-pedal'],
  said: ['drag-one', 'drag-all'],
  otherwise: [0.84, 0.08, 0.08],
  under: {
    'brake-seized': [0.12, 0.83, 0.05],
    'hose-closed': [0.12, 0.83, 0.05],
    'cylinder-no-return': [0.1, 0.1, 0.8],
    'pushrod-tight': [0.1, 0.1, 0.8],
    overfilled: [0.1, 0.1, 0.8],
    'seals-swollen': [0.15, 0.1, 0.75],
    'fluid-boils': [0.35, 0.1, 0.55],
    'line-blocked': [0.6, 0.35, 0.05],
  },
  cautions: ['hot-parts'],
}
