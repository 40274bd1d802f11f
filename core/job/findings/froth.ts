import { fact } from '../../base/decision'
import { fluidOf } from '../../fluid/specs'
import { bubbleRise } from '../../physics/air/bubble-rise'
import { viscosityMm2PerS } from '../../physics/hydraulics/viscosity'
import type { JobState } from '../state'
import type { Watcher } from './watch'

/** Froth that the eye sees, and the smallest bubble worth waiting for. @source common practice */
const SEEN_MM = 0.2
const FINE_MM = 0.1
/** How high a bubble has to rise in a caliper or cylinder. @source from memory */
const RISE_MM = 60

/** How long a bubble takes to rise out of the way in this job's fluid at the shop's temperature, seconds. */
export function restS({ plan, shop }: NonNullable<JobState['planned']>, bubbleMm = FINE_MM): number {
  const mm2PerS = viscosityMm2PerS(fluidOf(plan.fluid.spec).typical, shop.tempC)
  return Math.ceil(bubbleRise({ bubbleMm, depthMm: RISE_MM, mm2PerS }).seconds)
}

/** Froth is made by pumping fast, and rises in its own time. */
export const froth: Watcher = ({ state, progress }) => {
  if (progress.bubbles !== 'froth' || progress.seenAt === undefined || !state.planned) return undefined
  const { planned } = state
  const fineS = restS(planned)
  return {
    ...fact('froth', {
      shopC: planned.shop.tempC,
      seen: SEEN_MM,
      seenS: restS(planned, SEEN_MM),
      depth: RISE_MM,
      fine: FINE_MM,
      fineMin: Math.max(1, Math.round(fineS / 60)),
    }),
    checks: [fact('look-slower'), fact('look-thin-line')],
    waitS: fineS,
    since: progress.seenAt,
  }
}
