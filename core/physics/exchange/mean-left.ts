import { type Feed, type Feeding, type Standing, standingAfter, startOf, thinnedAtMin } from './least-through'
import { CORNER_TANKS } from './purge'
import { cornerMeanShare } from './reservoir-carry'
import { firstTerms } from './tanks-in-series'

type Corner = { volumeMl: number; throughMl: number }

/** Share of a clean feed's path that is still what stood there, on average over the three tanks of a corner. */
function meanWashed({ volumeMl }: Corner, ml: number): number {
  if (ml <= 0 || volumeMl <= 0) return ml <= 0 ? 1 : 0
  const a = (CORNER_TANKS * ml) / volumeMl
  let sum = 0
  for (let tank = 1; tank <= CORNER_TANKS; tank++) sum += Math.exp(-a) * firstTerms(a, tank)
  return sum / CORNER_TANKS
}

/** Mean old share of a corner whose reservoir is poured up at MIN only. */
function meanStepped(at: Standing, feed: Feed, corner: Corner): number {
  let mean = meanWashed(corner, corner.throughMl)
  for (const { from, end, share } of thinnedAtMin(at, feed, corner.throughMl))
    mean += share * (meanWashed(corner, corner.throughMl - end) - meanWashed(corner, corner.throughMl - from))
  return mean
}

/**
 * Old share of all that the corners and their reservoir hold once these amounts went through, on average, the reservoir
 * poured up to MAX at the end. Kept full by hand it is the worse of pouring after every pull and pouring at MIN only.
 *
 * @returns 0 to 1
 * @source Levenspiel, stirred tanks in series
 */
export function meanLeft(feed: Feed, { fed, atOnce }: Feeding, corners: readonly Corner[]): number {
  let at = startOf(feed)
  let [steadyMl, steppedMl] = [0, 0]
  for (let first = 0; first < corners.length; first += atOnce) {
    const begun = at
    for (const corner of corners.slice(first, first + atOnce)) {
      const { volumeMl, throughMl } = corner
      steadyMl += volumeMl * cornerMeanShare(feed.maxMl, begun.steady, volumeMl, throughMl)
      steppedMl += volumeMl * meanStepped(begun, feed, corner)
      at = standingAfter(at, feed, throughMl)
    }
  }
  const heldMl = corners.reduce((sum, { volumeMl }) => sum + volumeMl, feed.maxMl)
  const steady = (steadyMl + at.steady * feed.maxMl) / heldMl
  const stepped = (steppedMl + at.stepped * (feed.maxMl - at.sinceFullMl)) / heldMl
  return fed || feed.maxMl <= feed.minMl ? steady : Math.max(steady, stepped)
}
