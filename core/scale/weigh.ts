/**
 * What comes into a bottle, told from everything else that a scale on a workshop's floor feels: a knock, a hose that
 * leans on the bottle, a hand that lifts it, another bottle, a weight that creeps.
 *
 * A weight counts only once it stands still. From one still weight to the next the difference is fluid where fluid may
 * flow, as much as can come in that time; otherwise the weight that is counted from moves along with it.
 */

/** Readings of so long decide whether it stands still, s; two readings are no further apart than this. @source from memory */
const WINDOW_S = 1
/** Within this it stands still, g, and two of its own steps where those are larger. @source from memory */
const STILL_G = 1.2
/** More than this of a change at rest is something that happened; less is followed slowly, and its noise with it. */
const CREEPS_G = 1
const FOLLOWS = 0.5
/** An empty bottle weighs more than this, and nobody leans so lightly on one. @source from memory */
const BOTTLE_G = 25
/** The same bottle, put back, stands within this of what it weighed. @source from memory */
const SAME_G = 3
/** No bleeder of a road vehicle passes more by foot or machine, g/s. @source from memory */
const MOST_G_PER_S = 25
/** So much more within a moment, and going on, is fluid that has begun to come. @source from memory */
const BEGINS_G = 1.5
/** So far below nothing a scale shows only where it was set to nothing with something on it, or is broken. */
const LEAST_G = -2000

export type WeightAt = { atS: number; grams: number }

/** What else happened to what stands on it; until the next look the bottle's own marks are surer. */
export type Disturbed = 'bottle-changed' | 'something-on-it' | 'unplugged'

export type Weighing = {
  /** Readings of the last moment, the oldest first. */
  window: readonly WeightAt[]
  /** The last weight that stood still, and when; absent before the first. */
  still?: WeightAt
  /** What the bottle weighed before it was lifted; absent while one stands there. */
  lifted?: WeightAt
  /** Fluid that came since this began, g. */
  cameG: number
  /** Steps since it last stood still that no flow makes, one way and the other, g. */
  jumpedG: number
  /** So often another bottle was put there. */
  changes: number
  /** Whether it stands still now. */
  isStill: boolean
  disturbed?: Disturbed
}

export const freshWeighing: Weighing = {
  window: [],
  cameG: 0,
  jumpedG: 0,
  changes: 0,
  isStill: false,
}

/** What a scale can show, from its greeting. */
export type ScaleRange = { stepG: number; capacityG: number }

const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length
const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[values.length >> 1] ?? 0

/**
 * One more reading.
 *
 * @param mayFlow whether fluid may run into the bottle now
 */
export function weigh(
  before: Weighing,
  reading: WeightAt,
  { stepG, capacityG }: ScaleRange,
  mayFlow: boolean,
): Weighing {
  // What cannot be is no weight, and what came before it says nothing of what comes after.
  if (reading.grams > capacityG || reading.grams < LEAST_G) return { ...before, window: [], isStill: false }
  const last = before.window.at(-1)
  const window = [...before.window, reading].filter(({ atS }) => atS > reading.atS - WINDOW_S - 0.1)
  const grams = window.map((each) => each.grams)
  const spanS = reading.atS - (window[0]?.atS ?? reading.atS)
  const spreadG = Math.max(...grams) - Math.min(...grams)
  const isStill = spanS >= 0.8 * WINDOW_S && spreadG <= Math.max(STILL_G, 2 * stepG)
  const stepped = last ? reading.grams - last.grams : 0
  const jumps = last && Math.abs(stepped) > mostG(last, reading)
  const next: Weighing = { ...before, window, isStill, jumpedG: before.jumpedG + (jumps ? stepped : 0) }
  return isStill ? settle(next, { atS: reading.atS, grams: mean(grams) }, stepG, mayFlow) : next
}

/** The most that can have come from one moment to another, g. */
const mostG = (from: WeightAt, to: WeightAt): number => MOST_G_PER_S * (to.atS - from.atS) + SAME_G

/** A weight that stands still, against the one before. */
function settle(now: Weighing, to: WeightAt, stepG: number, mayFlow: boolean): Weighing {
  const { still, lifted, jumpedG } = now
  const moved: Weighing = { ...now, still: to, jumpedG: 0 }
  if (!still) return moved
  const byG = to.grams - still.grams
  if (lifted) return stoodBack(moved, { still, lifted, to, mayFlow })
  if (byG < -BOTTLE_G) return { ...moved, lifted: still }
  if (!mayFlow) {
    const creeps = Math.abs(byG) <= Math.max(CREEPS_G, stepG)
    return creeps ? { ...moved, still: { ...to, grams: still.grams + FOLLOWS * byG } } : moved
  }
  const leans = Math.abs(jumpedG) > BOTTLE_G
  if (!leans && byG <= mostG(still, to)) return { ...moved, cameG: now.cameG + byG }
  const came = leans ? Math.max(0, byG - jumpedG) : 0
  return { ...moved, cameG: now.cameG + came, disturbed: 'something-on-it' }
}

type Lifted = { still: WeightAt; lifted: WeightAt; to: WeightAt; mayFlow: boolean }

/** Nothing, the same bottle with what ran into it in the hand, or another one: told by what it weighs. */
function stoodBack(moved: Weighing, { still, lifted, to, mayFlow }: Lifted): Weighing {
  const backG = to.grams - lifted.grams
  if (backG >= -SAME_G && backG <= (mayFlow ? mostG(lifted, to) : SAME_G))
    return { ...moved, lifted: undefined, cameG: moved.cameG + (mayFlow ? Math.max(0, backG) : 0) }
  if (to.grams - still.grams <= BOTTLE_G) return moved
  const changed = { ...moved, lifted: undefined, changes: moved.changes + 1 }
  return mayFlow ? { ...changed, disturbed: 'bottle-changed' } : changed
}

/** The cable was out: what came meanwhile nobody weighed, and a scale begins from nothing when it wakes. */
export const unplug = (before: Weighing): Weighing => ({
  ...freshWeighing,
  cameG: before.cameG,
  changes: before.changes,
  disturbed: 'unplugged',
})

/**
 * Whether fluid has begun to come: it rises, and goes on rising. Only a flow that somebody would call one within a second
 * or two is told; what drips slower is for whoever watches the hose.
 *
 * @param sinceS from when on it counts: what came before that was another pull's
 */
export function beginsToCome({ window, lifted }: Weighing, sinceS: number): boolean {
  if (lifted) return false
  const since = window.filter(({ atS }) => atS >= sinceS)
  const [first] = since
  const last = since.slice(-3)
  const [middle, newest] = last.slice(-2)
  if (last.length < 3 || !first || !middle || !newest) return false
  return (
    median(last.map(({ grams }) => grams)) - first.grams >= BEGINS_G && newest.grams >= middle.grams - STILL_G
  )
}

/** What came so far, g, with what is on its way: for the eye, not for the record. */
export function cameByNowG({ window, still, lifted, cameG, isStill }: Weighing, mayFlow: boolean): number {
  if (isStill || !still || lifted || !mayFlow) return cameG
  return cameG + Math.max(0, median(window.slice(-3).map(({ grams }) => grams)) - still.grams)
}
