import type { Watcher } from './watch'

/** So many times the planned volume without one clean pull. @source from memory */
const FAR_OVER = 1.5

const ofAir = [
  'Hose end under the fluid, and tight on the nipple? The bleeder open no more than half a turn?',
  'A joint upstream that draws air: every nut and banjo from here to the cylinder.',
  'The reservoir: was it ever below MIN? Then air sits at the cylinder, and comes for a long time.',
  'A place that keeps air: the highest point before this bleeder, or the control unit. Bleed there first.',
  'Is this bleeder the highest point of its caliper, or do left and right hang on the wrong side?',
]
const ofColour = [
  'What feeds it: is the reservoir’s own fluid new, and wiped?',
  'A dark branch before this one that has not been bled yet gives its fluid off here.',
  'Dirt and old fluid from the caliper itself: open the bleeder fully once, with the hose on.',
  'Is it colour at all? Hold a drop against new fluid from the container.',
]

/** Far more has gone through than was planned, and it does not come clean: more of the same will not help. */
export const farOver: Watcher = ({ stageRun, point, progress, say }) => {
  const targetMl = stageRun.stage.mlByBleeder?.[point] ?? 0
  if (targetMl <= 0 || progress.cleanStreak > 0 || progress.ml < FAR_OVER * targetMl) return undefined
  const air = progress.bubbles !== undefined && progress.bubbles !== 'none'
  return {
    code: air ? 'over-with-air' : 'over-with-colour',
    says: `${say.volume(progress.ml)} through ${point}, planned were ${say.volume(targetMl)}, and it still brings ${air ? 'air' : 'old colour'}. More of the same will not help.`,
    checks: air ? ofAir : ofColour,
  }
}
