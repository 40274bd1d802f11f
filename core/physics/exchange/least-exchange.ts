import { type Feeding, leastThrough, type Through } from './least-through'

/** What is done to a reservoir before the first bleeder is opened, and what then leaves each of them. */
export type Exchange = {
  /** New fluid to rinse it with, drawn out again; 0 where that does not pay. */
  rinseMl: number
  /** Of the reservoir at MAX, what is old when the first bleeder is opened, 0 to 1. */
  oldShare: number
  through: Through[]
  /** All that is poured: rinse, filling and what leaves the bleeders. */
  totalMl: number
}

/** Graduations of a bottle are about this far apart: a rinse is not asked for more finely. */
const RINSE_STEP_ML = 5
/** A rinse that saves less than this share of all the fluid is not worth the hands. @source from memory */
const WORTH_SHARE = 0.02
/** Rinses tried before the best is looked for more closely. */
const TRIED = 12

/**
 * Old share of a reservoir drawn down to `drawToMl`, rinsed with `rinseMl`, drawn down to the same again and filled.
 * 420 mL drawn down to 40 is 9.5 % old; rinsed with 60 first, 3.8 %.
 *
 * @source two dilutions, by volume
 */
export const shareAfterDraw = (maxMl: number, drawToMl: number, rinseMl = 0): number =>
  drawToMl <= 0 ? 0 : (drawToMl / (drawToMl + rinseMl)) * (drawToMl / maxMl)

/**
 * The least new fluid that brings every bleeder to its target: rinse and amounts together, after drawing down as far
 * as every port stays covered. Worked for 420 mL at MAX, drawn to 40, passages of 59, 54, 38 and 31 mL and 5 %, kept
 * full by a machine: 1 018 mL without a rinse, 870 with one.
 *
 * @param drawToMl what stays in the reservoir, 0 to `maxMl`
 * @source common practice: drawn down, and rinsed where it pays; amounts by Levenspiel's tanks
 */
export function leastExchange(
  reservoir: { maxMl: number; minMl: number; drawToMl: number },
  feeding: Feeding,
  volumesMl: readonly number[],
  targetShare: number,
): Exchange {
  const { maxMl, minMl, drawToMl } = reservoir
  const room = maxMl - drawToMl
  const rinsed = (rinseMl: number): Exchange => {
    const oldShare = shareAfterDraw(maxMl, drawToMl, rinseMl)
    const through = leastThrough({ maxMl, minMl, oldShare }, feeding, volumesMl, targetShare)
    const bled = through.reduce((sum, { throughMl }) => sum + throughMl, 0)
    return { rinseMl, oldShare, through, totalMl: room + rinseMl + bled }
  }
  const plain = rinsed(0)
  if (drawToMl <= 0 || volumesMl.length === 0) return plain
  // However clean the reservoir, the corners themselves ask for this much.
  const clean = leastThrough({ maxMl, minMl, oldShare: 0 }, feeding, volumesMl, targetShare)
  const atLeast = clean.reduce((sum, { throughMl }) => sum + throughMl, room)
  let best = plain
  const seen = new Set([0])
  const look = (rinseMl: number) => {
    const rounded = Math.max(0, Math.min(room, RINSE_STEP_ML * Math.round(rinseMl / RINSE_STEP_ML)))
    if (seen.has(rounded) || atLeast + rounded >= best.totalMl) return
    seen.add(rounded)
    const tried = rinsed(rounded)
    if (tried.totalMl < best.totalMl) best = tried
  }
  // Beyond twice what is left in it a rinse thins out little more: most of the tries go below.
  for (let i = 1; i <= TRIED; i++) look(room * (i / TRIED) ** 2)
  for (let step = room / TRIED; step >= RINSE_STEP_ML; step /= 2) {
    const about = best.rinseMl
    look(about - step)
    look(about + step)
  }
  return plain.totalMl - best.totalMl > WORTH_SHARE * plain.totalMl ? best : plain
}
