import type { Containers } from './containers'

/** More than this many containers, or a need beyond this, is not searched: the largest are taken first. */
const SEARCHED = 40
const SEARCHED_ML = 20_000

/** One way to reach a sum: the container taken last, and the way to what was there before it. */
type Way = { ml: number; before?: Way; count: number }

/**
 * Which of the containers on the shelf to open for a need, with the least left over; all of them where they do not
 * reach. 300 mL from one of 250 and one of 1000 is the 1000; 1200 is both.
 */
export function takeOnHand(needMl: number, onHand: readonly Containers[]): Containers[] {
  if (needMl <= 0) return []
  const each = onHand
    .flatMap(({ ml, count }) => Array.from({ length: count }, () => ml))
    .sort((a, b) => b - a)
  const chosen =
    needMl > SEARCHED_ML || each.length > SEARCHED ? largestFirst(needMl, each) : leastOver(needMl, each)
  const counts = new Map<number, number>()
  for (const ml of chosen) counts.set(ml, (counts.get(ml) ?? 0) + 1)
  return [...counts].map(([ml, count]) => ({ ml, count }))
}

function largestFirst(needMl: number, each: readonly number[]): number[] {
  const chosen: number[] = []
  let sum = 0
  for (const ml of each) {
    if (sum >= needMl) break
    chosen.push(ml)
    sum += ml
  }
  return chosen
}

/** The fewest containers that reach each sum, the need's own or the next above it picked; every container is used once. */
function leastOver(needMl: number, each: readonly number[]): readonly number[] {
  const reached = new Map<number, Way>([[0, { ml: 0, count: 0 }]])
  for (const ml of each)
    for (const [sum, way] of [...reached]) {
      // Counted down to the whole millilitre, so that what is opened is never short.
      const next = sum + Math.floor(ml)
      const fewer = (reached.get(next)?.count ?? Number.POSITIVE_INFINITY) <= way.count + 1
      // A sum that is enough already is an end.
      if (sum < needMl && !fewer) reached.set(next, { ml, before: way, count: way.count + 1 })
    }
  const enough = [...reached.keys()].filter((sum) => sum >= needMl)
  if (enough.length === 0) return each
  const chosen: number[] = []
  for (let way = reached.get(Math.min(...enough)); way?.before; way = way.before) chosen.push(way.ml)
  return chosen
}
