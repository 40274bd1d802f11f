import type { Band } from '../../base/band'
import { ImpossibleInput } from '../../base/fault'
import { byConductance } from './conductance'
import type { Tester } from './tester'

/**
 * What each lamp of the pen means.
 * @source common practice for the steps 0, below 1, 2, 3, 4 and more; from memory for where one ends and the next begins
 */
const bands: readonly (Band & { label: string })[] = [
  { label: '0 %', low: 0, likely: 0, high: 1 },
  { label: 'below 1 %', low: 0, likely: 0.5, high: 1.5 },
  { label: '2 %', low: 1, likely: 2, high: 3 },
  { label: '3 %', low: 2, likely: 3, high: 4 },
  { label: '4 % or more', low: 3, likely: 4, high: 8 },
]

/** A pen with a row of lamps. */
export const bandedPen: Tester = {
  gives: 'water-pct',
  sureness: 2,
  asks: { of: 'choice', options: bands.map(({ label, likely }) => ({ value: likely, label })) },
  mayPass: true,
  tell(value, sample) {
    const band = bands.find(({ likely }) => likely === value)
    if (!band) throw new ImpossibleInput('value', 'pick one of the lamps')
    const { label: _label, ...water } = band
    return byConductance(water, sample)
  },
}
