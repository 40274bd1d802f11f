import { type Check, second } from '../check'
import { spongy } from '../complaints'
import { cyclesAndBleed } from '../repairs/cycles-and-bleed'

/** The unit’s routine run, and a base bleed after it. */
export const unitCycled: Check = {
  id: 'unit-cycled',
  minutes: 0,
  results: ['same', 'better'],
  complaints: [...spongy, 'sinking-pedal', 'no-pedal', 'air-never-ends', 'no-flow-one'],
  possible: ({ routine }) => routine,
  does: cyclesAndBleed,
  otherwise: second(0.05),
  under: {
    'air-unit': second(0.8),
    'unit-valve': second(0.15),
    'air-lines': second(0.1),
    'air-cylinder': second(0.05),
  },
  ends: { result: 'better', mends: ['air-unit', 'air-lines', 'air-cylinder'] },
  cautions: ['battery-on-charge'],
}
