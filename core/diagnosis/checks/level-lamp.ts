import { type Check, second } from '../check'

/** The float pressed down and let up: does the lamp follow? */
export const levelLamp: Check = {
  id: 'level-lamp',
  minutes: 3,
  results: ['works', 'stuck'],
  complaints: ['low-level'],
  possible: ({ levelLamp }) => levelLamp,
  otherwise: second(0.015),
  under: {
    'level-sensor': second(0.95),
  },
}
