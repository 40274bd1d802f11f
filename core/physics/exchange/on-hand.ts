import type { Containers } from './containers'

/** Beyond this need the largest are taken whole first, and only the rest is searched. */
const SEARCHED_ML = 20_000

/**
 * Which of the containers on the shelf to open for a need, with the least left over and then the fewest of them; all of
 * them where they do not reach. 300 mL from one of 250 and one of 1000 is the 1000; 1200 is both. Of many alike only as
 * many are taken as it needs.
 */
export function takeOnHand(needMl: number, onHand: readonly Containers[]): Containers[] {
  if (needMl <= 0) return []
  const groups = grouped(onHand)
  const whole = takeWhole(needMl, groups)
  const left = groups.map(({ ml, count }) => ({ ml, count: count - (whole.get(ml) ?? 0) }))
  const restMl = needMl - sumOf([...whole].map(([ml, count]) => ({ ml, count })))
  if (restMl <= 0) return entries(whole)
  const chosen = sumOf(left) < restMl ? left : leastOver(Math.ceil(restMl), left)
  for (const { ml, count } of chosen) whole.set(ml, (whole.get(ml) ?? 0) + count)
  return entries(whole)
}

const entries = (counts: ReadonlyMap<number, number>): Containers[] =>
  [...counts].filter(([, count]) => count > 0).map(([ml, count]) => ({ ml, count }))

/** What they surely hold: counted down to the whole millilitre, so that what is opened is never short. */
const sumOf = (containers: readonly Containers[]): number =>
  containers.reduce((sum, { ml, count }) => sum + Math.floor(ml) * count, 0)

function grouped(containers: readonly Containers[]): Containers[] {
  const counts = new Map<number, number>()
  for (const { ml, count } of containers)
    if (ml >= 1 && count > 0) counts.set(ml, (counts.get(ml) ?? 0) + count)
  return entries(counts).sort((a, b) => b.ml - a.ml)
}

function takeWhole(needMl: number, groups: readonly Containers[]): Map<number, number> {
  const taken = new Map<number, number>()
  let left = needMl
  for (const { ml, count } of groups) {
    const few = Math.min(count, Math.max(0, Math.floor((left - SEARCHED_ML) / Math.floor(ml))))
    taken.set(ml, few)
    left -= few * Math.floor(ml)
    // A smaller size only once the larger one is used up.
    if (few < count) break
  }
  return taken
}

/**
 * The sum at the need or next above it, by the table of reachable sums: for each the fewest containers, size by size,
 * each size as often as it is there. `last[k]` says how many of the k-th size the way to a sum ends with.
 */
function leastOver(needMl: number, groups: readonly Containers[]): Containers[] {
  const top = needMl + Math.max(...groups.map(({ ml }) => Math.floor(ml)))
  let fewest = new Float64Array(top + 1).fill(Number.POSITIVE_INFINITY)
  fewest[0] = 0
  const last = groups.map(({ ml, count }) => {
    const size = Math.floor(ml)
    const next = Float64Array.from(fewest)
    const used = new Uint32Array(top + 1)
    for (let sum = size; sum <= top; sum++) {
      const more = (used[sum - size] ?? 0) + 1
      const fewer = (next[sum - size] ?? Number.POSITIVE_INFINITY) + 1
      if (more <= count && fewer < (next[sum] ?? 0)) {
        next[sum] = fewer
        used[sum] = more
      }
    }
    fewest = next
    return used
  })
  let at = needMl
  while (at < top && fewest[at] === Number.POSITIVE_INFINITY) at++
  return groups
    .map(({ ml }, k) => ({ ml, used: last[k] ?? new Uint32Array() }))
    .reverse()
    .map(({ ml, used }) => {
      const count = used[at] ?? 0
      at -= count * Math.floor(ml)
      return { ml, count }
    })
}
