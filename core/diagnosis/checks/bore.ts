import { type Check, second } from '../check'

/** The bore at three depths and two directions, against its limit. */
export const bore: Check = {
  id: 'bore',
  minutes: 75,
  steps: 3,
  results: ['within', 'beyond'],
  complaints: ['soft-pedal', 'sinking-pedal', 'lost-after-standing', 'no-clutch'],
  otherwise: second(0.05),
  under: {
    'cylinder-bypass': second(0.5),
    'cylinder-no-draw': second(0.15),
    'booster-leak': second(0.35),
  },
}
