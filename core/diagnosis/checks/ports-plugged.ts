import type { Check } from '../check'
import { airy } from '../complaints'

/** The cylinder’s ports closed with rated plugs: what is left of the complaint is the cylinder’s own. */
export const portsPlugged: Check = {
  id: 'ports-plugged',
  minutes: 45,
  steps: 4,
  setUp: 'ports-open',
  results: ['firm', 'soft', 'sinks'],
  complaints: [...airy, 'no-pedal', 'sinking-pedal'],
  otherwise: [0.92, 0.05, 0.03],
  under: {
    'cylinder-bypass': [0.05, 0.05, 0.9],
    'air-cylinder': [0.17, 0.8, 0.03],
    'cylinder-no-draw': [0.55, 0.4, 0.05],
    'pushrod-slack': [0.45, 0.5, 0.05],
    'booster-leak': [0.35, 0.05, 0.6],
  },
  cautions: ['rated-plugs', 'eye-protection'],
}
