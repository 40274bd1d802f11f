import { type Fact, fact } from '../base/decision'
import type { Procedure, ProcedureStep } from '../procedure/schema'
import { atTool, ROUTINE_BEGINS, ROUTINE_ENDS, routineStepId, type Step } from '../technique/step'

/** Where a pump that does not stop is no longer waited for, where nobody says. @source from memory */
export const USUAL_MOST_S = 180

/** Which words a step has: those of whoever wrote it, else those of what it does. */
function codeOf({
  does,
  shows,
  foot,
  unplugs,
  plugsBack,
  bottle,
  fillsToMax,
  calibrates,
  ignition,
}: ProcedureStep): string {
  // The phone has a word of its own for the foot; what else was written is minded.
  if (foot !== undefined) return `procedure-foot-${foot}`
  if (does !== undefined) return 'procedure'
  if (unplugs !== undefined) return 'procedure-unplug'
  if (plugsBack !== undefined) return 'procedure-plug-back'
  if (bottle !== undefined) return `procedure-bottle-${bottle}`
  if (fillsToMax) return 'procedure-fill'
  if (calibrates !== undefined) return 'procedure-calibrate'
  if (ignition !== undefined) return `procedure-ignition-${ignition}`
  return shows === undefined ? 'procedure-wait' : 'procedure-shows'
}

const footStands = { hold: { sets: 'foot-held' }, release: { clears: 'foot-held' }, pump: {} } as const

/**
 * A step of a procedure as a step of the plan. What it unplugs stands until it is plugged back; a foot that is held
 * stands until it is let go of.
 *
 * @param reservoir the one that feeds what the unit works at
 */
export function stepOfProcedure(step: ProcedureStep, i: number, reservoir: string | undefined): Step {
  const { who, does, shows, foot, awaits, leastS, mostS, ignition, unplugs, plugsBack, bottle, calibrates } =
    step
  const thing: Fact | undefined = (unplugs ?? plugsBack) ? fact(`plug-${unplugs ?? plugsBack}`) : undefined
  const most = mostS ?? (awaits === 'pump-stops' ? USUAL_MOST_S : undefined)
  const params = {
    ...(does !== undefined && { does }),
    ...(shows !== undefined && { shows }),
    ...(thing && { thing }),
    ...(calibrates !== undefined && { calibrates }),
    ...(awaits !== undefined && { awaits: fact(`awaits-${awaits}`) }),
    ...(leastS !== undefined && { leastS }),
    ...(most !== undefined && { mostS: most }),
    ...(ignition !== undefined && { ignition: fact(`ignition-${ignition}`) }),
  }
  return {
    id: routineStepId(i + 1),
    code: codeOf(step),
    who,
    params,
    ...(step.fillsToMax && {
      asksMl: 'poured' as const,
      fillsToMax: true as const,
      ...(reservoir && { reservoir }),
    }),
    ...(bottle && { bottle }),
    ...(unplugs && { sets: unplugs }),
    ...(plugsBack && { clears: plugsBack }),
    ...(foot && { foot, ...footStands[foot] }),
    ...(awaits !== undefined && { awaits }),
    ...(leastS !== undefined && { leastS }),
    ...(most !== undefined && { mostS: most }),
    ...(calibrates !== undefined && { calibrates }),
    ...(step.beginsAgain && { beginsAgain: true as const }),
  }
}

/** Battery and connection before any routine, ignition off after it. @source common practice */
export const beforeRoutine = ({ minVolts, menu }: Procedure): Step[] => [
  {
    ...atTool(
      minVolts === undefined ? 'battery' : 'battery-volts',
      minVolts === undefined ? undefined : { minVolts },
      ROUTINE_BEGINS,
    ),
    sets: 'battery',
  },
  ...(menu === undefined ? [] : [atTool('procedure-menu', { menu })]),
]
export const afterRoutine = (): Step[] => [atTool(ROUTINE_ENDS)]

/** Minutes of a step at the tool, and of what it has to wait for. @source from memory */
const STEP_MINUTES = 0.5
export const stepsMinutes = (steps: readonly Step[]): number =>
  steps.reduce((sum, { leastS = 0 }) => sum + STEP_MINUTES + leastS / 60, 0)
