import { fact } from '../../base/decision'
import type { Watcher } from './watch'

/** So many times the planned volume without one clean pull. @source from memory */
const FAR_OVER = 1.5

const ofAir = ['hose-end', 'joint-draws', 'ever-below-min', 'place-keeps-air', 'not-highest']
const ofColour = ['feed-new', 'dark-branch', 'caliper-dirt', 'colour-at-all']
const checks = (ids: readonly string[]) => ids.map((id) => fact(`look-${id}`))

/** Far more has gone through than was planned, and it does not come clean: more of the same will not help. */
export const farOver: Watcher = ({ stageRun, point, progress }) => {
  const targetMl = stageRun.stage.mlByBleeder?.[point] ?? 0
  if (targetMl <= 0 || progress.cleanStreak > 0 || progress.ml < FAR_OVER * targetMl) return undefined
  const air = progress.bubbles !== undefined && progress.bubbles !== 'none'
  return {
    ...fact(air ? 'over-with-air' : 'over-with-colour', { throughMl: progress.ml, point, targetMl }),
    ...(air && { leads: 'air-never-ends' as const }),
    checks: checks(air ? ofAir : ofColour),
  }
}
