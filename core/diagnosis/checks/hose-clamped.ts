import { type Check, second } from '../check'

/** One hose after the other clamped with the proper tool. */
export const hoseClamped: Check = {
  id: 'hose-clamped',
  minutes: 20,
  steps: 3,
  inTurn: 'hose',
  results: ['same', 'firms'],
  where: ['firms'],
  complaints: ['soft-pedal', 'low-pedal', 'springy-middle'],
  possible: ({ mayClamp }) => mayClamp,
  otherwise: second(0.08),
  under: {
    'hose-soft': second(0.9),
    'air-lines': second(0.6),
    'bleeder-not-at-top': second(0.6),
    'shoes-out': second(0.5),
    'pads-knocked-back': second(0.4),
    'outside-leak': second(0.4),
  },
  cautions: ['clamp-where-allowed'],
}
