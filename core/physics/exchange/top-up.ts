import { ImpossibleInput } from '../../base/fault'

/**
 * Whole strokes until the reservoir stands at MIN: one more would go below it, and air may be drawn.
 *
 * @param usableMl level now down to MIN
 * @source arithmetic
 */
export function topUp({ usableMl, mlPerStroke }: { usableMl: number; mlPerStroke: number }): {
  strokes: number
} {
  if (!(usableMl >= 0)) throw new ImpossibleInput('usableMl', 'give a usable volume of 0 mL or more')
  if (!(mlPerStroke > 0)) throw new ImpossibleInput('mlPerStroke', 'give a volume per stroke above 0 mL')
  // A billionth of a stroke is rounding, not fluid: 0.3 mL holds three strokes of 0.1.
  return { strokes: Math.floor(usableMl / mlPerStroke + 1e-9) }
}
