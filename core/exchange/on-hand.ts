import type { Containers } from './containers'

/** Containers beyond this many are not tried one by one: the largest are taken first. */
const TRIED = 40

/**
 * Which of the containers on the shelf to open for a need, with the least left over; all of them where they do not
 * reach. 300 mL from one of 250 and one of 1000 is the 1000; 1200 is both.
 */
export function takeOnHand(needMl: number, onHand: readonly Containers[]): Containers[] {
  if (needMl <= 0) return []
  const each = onHand
    .flatMap(({ ml, count }) => Array.from({ length: count }, () => ml))
    .sort((a, b) => b - a)
    .slice(0, TRIED)
  // The fewest that reach a sum, by sum; a sum above the need is kept only as an end.
  const reached = new Map<number, number[]>([[0, []]])
  for (const ml of each)
    for (const [sum, taken] of [...reached]) {
      // Counted down to the whole millilitre, so that what is opened is never short.
      const next = sum + Math.floor(ml)
      if (sum >= needMl || (reached.get(next)?.length ?? Number.POSITIVE_INFINITY) <= taken.length + 1)
        continue
      reached.set(next, [...taken, ml])
    }
  const enough = [...reached.keys()].filter((sum) => sum >= needMl)
  const chosen = enough.length > 0 ? (reached.get(Math.min(...enough)) ?? []) : each
  const counts = new Map<number, number>()
  for (const ml of chosen) counts.set(ml, (counts.get(ml) ?? 0) + 1)
  return [...counts].map(([ml, count]) => ({ ml, count }))
}
