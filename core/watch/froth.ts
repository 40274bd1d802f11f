import { bubbleRise } from '../air/bubble-rise'
import { fluidOf } from '../fluids'
import { viscosityMm2PerS } from '../hydraulics/viscosity'
import type { Watcher } from './watch'

/** The smallest bubble worth waiting for, and how high it has to rise in a caliper or cylinder. @source from memory */
const BUBBLE_MM = 0.1
const RISE_MM = 60

/** Froth is made by pumping fast, and rises in its own time. */
export const froth: Watcher = ({ state, progress, say }) => {
  if (progress.bubbles !== 'froth' || progress.seenAt === undefined || !state.planned) return undefined
  const { plan, shop } = state.planned
  const mm2PerS = viscosityMm2PerS(fluidOf(plan.fluid.spec).typical, shop.tempC)
  const { seconds } = bubbleRise({ bubbleMm: BUBBLE_MM, depthMm: RISE_MM, mm2PerS })
  return {
    code: 'froth',
    says: `Froth: let it rise. A bubble of ${BUBBLE_MM} mm takes about ${Math.max(1, Math.round(seconds / 60))} min through ${RISE_MM} mm of this fluid at ${say.temperature(shop.tempC)}.`,
    checks: [
      'Slower from now on: fast pumping makes froth.',
      'Air that is in a thin line does not rise by waiting: flow has to carry it.',
    ],
    waitS: Math.ceil(seconds),
    since: progress.seenAt,
  }
}
