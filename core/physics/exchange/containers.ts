/** So many containers of one size. */
export type Containers = { ml: number; count: number }

/** The search goes by whole millilitres up to here; a need beyond it is met by the largest size first. */
const SEARCHED_ML = 100_000

/**
 * Which containers to open for a need, with the least left over; of equal ones the fewest.
 * 820 mL from 500 and 1000 is one of 1000; 1300 is 500 + 1000.
 *
 * @param sizesMl sizes on the shelf, each 1 mL or more; @param needMl 0 opens nothing
 */
export function chooseContainers(needMl: number, sizesMl: readonly number[]): Containers[] {
  const sizes = [...new Set(sizesMl)].filter((ml) => ml >= 1).sort((a, b) => b - a)
  const largest = sizes[0]
  if (needMl <= 0 || largest === undefined) return []
  const whole = Math.max(0, Math.floor((needMl - SEARCHED_ML) / largest))
  const counts = new Map<number, number>(whole > 0 ? [[largest, whole]] : [])
  for (const ml of fewestReaching(Math.ceil(needMl - whole * largest), sizes))
    counts.set(ml, (counts.get(ml) ?? 0) + 1)
  return [...counts].sort(([a], [b]) => b - a).map(([ml, count]) => ({ ml, count }))
}

const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b))

/** The sizes whose sum is the smallest at or above the need, by the usual table of reachable sums. */
function fewestReaching(needMl: number, sizes: readonly number[]): number[] {
  // A size is counted down to the whole millilitre, so that what is bought is never short.
  const wholeMl = sizes.map(Math.floor)
  // Only multiples of what divides every size can be reached: the table counts in those.
  const unitMl = wholeMl.reduce(commonDivisor, 0)
  const steps = wholeMl.map((ml) => ml / unitMl)
  const need = Math.ceil(needMl / unitMl)
  const top = need + (steps[0] ?? 0)
  const fewest = new Array<number>(top + 1).fill(Number.POSITIVE_INFINITY)
  const lastSize = new Array<number>(top + 1).fill(-1)
  fewest[0] = 0
  for (let total = 1; total <= top; total++) {
    for (const [index, step] of steps.entries()) {
      const before = fewest[total - step]
      if (before !== undefined && before + 1 < (fewest[total] ?? 0)) {
        fewest[total] = before + 1
        lastSize[total] = index
      }
    }
  }
  let at = need
  while (fewest[at] === Number.POSITIVE_INFINITY) at++
  const chosen: number[] = []
  while (at > 0) {
    const index = lastSize[at] ?? 0
    chosen.push(sizes[index] ?? 0)
    at -= steps[index] ?? at
  }
  return chosen
}
