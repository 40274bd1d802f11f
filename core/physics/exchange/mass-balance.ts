/** A gap above this share of what moved means that something was not written down, or a leak. @source common practice */
const GAP_SHARE = 0.1
/** Below this nobody can read a level. @source from memory */
const READABLE_ML = 10

export type MassBalance = {
  /** In minus out minus spilled: what the system holds more (or less) than before, reservoir and all. */
  heldMl: number
  /** Part of what moved that nobody accounts for, from 0 to 1. */
  gapShare: number
  wantsAnswer: boolean
}

/**
 * What went in against what came out.
 *
 * @param unaccountedMl levels seen against levels counted: above 0 fluid is missing, below 0 it was found
 * @source arithmetic; the 10 % limit is common practice
 */
export function massBalance(moved: {
  inMl: number
  outMl: number
  spilledMl: number
  unaccountedMl: number
}): MassBalance {
  const most = Math.max(moved.inMl, moved.outMl + moved.spilledMl)
  const gapMl = Math.abs(moved.unaccountedMl)
  // Where nothing was written down at all, all of it is missing.
  const gapShare = gapMl === 0 ? 0 : Math.min(1, gapMl / most)
  return {
    heldMl: moved.inMl - moved.outMl - moved.spilledMl,
    gapShare,
    wantsAnswer: gapMl >= READABLE_ML && gapShare > GAP_SHARE,
  }
}
