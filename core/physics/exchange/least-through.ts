import { crossing } from '../../base/solve'
import { laminarOutletShare } from './laminar-tail'
import { CORNER_TANKS } from './purge'
import { cornerOutletShare } from './reservoir-carry'
import { tanksOutletShare } from './tanks-in-series'

/**
 * A reservoir that stands at MAX as the first bleeder is opened.
 *
 * `oldShare` is what of it is old then, 0 to 1.
 */
export type Feed = { maxMl: number; minMl: number; oldShare: number }

/**
 * How it is kept full. `fed` by a machine or an inverted bottle it stays at MAX. By hand it is poured up whenever
 * somebody looks: after every pull, or only at MIN. What is planned holds for both.
 *
 * `atOnce` bleeders may run together; nobody knows which of them then clears the reservoir for the others, so none is
 * counted on.
 */
export type Feeding = { fed: boolean; atOnce: number }

/** What went through one bleeder, and the old share its last drops have, 0 to 1. */
export type Through = { throughMl: number; outletShare: number }

/** The reservoir as one bleeder begins: its old share if it was kept at MAX, and if it was filled at MIN only. */
export type Standing = { steady: number; stepped: number; sinceFullMl: number }

export const startOf = ({ oldShare }: Feed): Standing => ({
  steady: oldShare,
  stepped: oldShare,
  sinceFullMl: 0,
})

/** How it stands once so much more has been drawn from it. */
export function standingAfter(
  { steady, stepped, sinceFullMl }: Standing,
  { maxMl, minMl }: Feed,
  throughMl: number,
): Standing {
  const usableMl = maxMl - minMl
  const drawn = sinceFullMl + throughMl
  const fills = usableMl > 0 ? Math.floor(drawn / usableMl) : 0
  return {
    steady: steady * Math.exp(-throughMl / maxMl),
    stepped: stepped * (minMl / maxMl) ** fills,
    sinceFullMl: drawn - fills * usableMl,
  }
}

/** What enters a corner where the reservoir is filled from MIN to MAX only: stretches of one old share each, in mL. */
export function thinnedAtMin(
  at: Standing,
  feed: Feed,
  throughMl: number,
): { from: number; end: number; share: number }[] {
  const usableMl = feed.maxMl - feed.minMl
  const stretches: { from: number; end: number; share: number }[] = []
  let share = at.stepped
  let from = 0
  for (let to = usableMl - at.sinceFullMl; from < throughMl; to += usableMl) {
    const end = usableMl > 0 ? Math.min(to, throughMl) : throughMl
    stretches.push({ from, end, share })
    from = end
    share *= feed.minMl / feed.maxMl
  }
  return stretches
}

/** Outlet of a corner whose feed is thinned by a step each time the reservoir is filled from MIN to MAX. */
function steppedOutletShare(at: Standing, feed: Feed, volumeMl: number, throughMl: number): number {
  const washed = (ml: number) =>
    ml <= 0 ? 1 : volumeMl > 0 ? tanksOutletShare(ml / volumeMl, CORNER_TANKS) : 0
  let outlet = washed(throughMl)
  // What entered between `from` and `end` has come as far as it has since been pushed.
  for (const { from, end, share } of thinnedAtMin(at, feed, throughMl))
    outlet += share * (washed(throughMl - end) - washed(throughMl - from))
  return outlet
}

/**
 * Old share at a bleeder's outlet once `throughMl` went through the `volumeMl` before it: the worse of stirred tanks,
 * with the reservoir's own old fluid sent after, and the laminar tail; by hand the worse of both ways to top up.
 *
 * @source Levenspiel, tanks in series and laminar residence time
 */
function outletOf(at: Standing, feed: Feed, { fed }: Feeding, volumeMl: number, throughMl: number): number {
  const steady = cornerOutletShare(feed.maxMl, at.steady, volumeMl, throughMl)
  const laminar = volumeMl > 0 ? laminarOutletShare(throughMl / volumeMl) : 0
  const byHand = !fed && at.stepped > 0 && feed.maxMl > feed.minMl
  return Math.max(steady, laminar, byHand ? steppedOutletShare(at, feed, volumeMl, throughMl) : 0)
}

/** Through each bleeder in turn, the reservoir's state carried from one to the next. */
function inTurn(
  feed: Feed,
  feeding: Feeding,
  volumesMl: readonly number[],
  choose: (i: number, outlet: (throughMl: number) => number) => number,
): Through[] {
  const all: Through[] = []
  let at = startOf(feed)
  for (let first = 0; first < volumesMl.length; first += feeding.atOnce) {
    const group = volumesMl.slice(first, first + feeding.atOnce)
    const begun = at
    for (const [k, volumeMl] of group.entries()) {
      const outlet = (ml: number) => outletOf(begun, feed, feeding, volumeMl, ml)
      const throughMl = choose(first + k, outlet)
      all.push({ throughMl, outletShare: outlet(throughMl) })
      at = standingAfter(at, feed, throughMl)
    }
  }
  return all
}

/** Old share each bleeder ends at when these amounts go through. */
export function outletsAfter(
  feed: Feed,
  feeding: Feeding,
  corners: readonly { volumeMl: number; throughMl: number }[],
): number[] {
  const volumesMl = corners.map(({ volumeMl }) => volumeMl)
  return inTurn(feed, feeding, volumesMl, (i) => corners[i]?.throughMl ?? 0).map(
    ({ outletShare }) => outletShare,
  )
}

/**
 * The least that has to leave each bleeder, in order, so that its last drops are at most `targetShare` old.
 *
 * Whatever leaves an earlier bleeder clears the reservoir for the later ones as well as if they had let it out
 * themselves, so the least at each is the least in all.
 *
 * Worked: a reservoir of 420 mL of which 40 are old, passages of 59, 54, 38 and 31 mL and 5 % take 331, 141, 93 and
 * 73 mL.
 *
 * @param volumesMl what stands before each bleeder, 0 or more
 * @param targetShare above 0, below 1
 */
export function leastThrough(
  feed: Feed,
  feeding: Feeding,
  volumesMl: readonly number[],
  targetShare: number,
): Through[] {
  return inTurn(feed, feeding, volumesMl, (i, outlet) => {
    if (outlet(0) <= targetShare) return 0
    let high = Math.max(1, volumesMl[i] ?? 0)
    while (outlet(high) > targetShare) high *= 2
    let ml = crossing(outlet, targetShare, 0, high)
    // The crossing is one of two neighbours, and a step may stand between them.
    for (let more = 1e-12; outlet(ml) > targetShare; more *= 2) ml *= 1 + more
    return ml
  })
}
