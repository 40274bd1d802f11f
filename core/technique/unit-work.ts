import { fact, type Notice } from '../base/decision'
import { partsOf } from '../vehicle/parts'
import { minutesInTurn } from './corner-flow'
import type { TechniqueContext, TechniqueMinutes } from './technique'

/** Line pressure of a unit's pump while one bleeder is open. @source from memory */
const UNIT_PUMP_KPA = 1000

/** A routine is the vehicle's own, never the tool's: one it does not offer is never started. */
export const refuseOtherRoutine =
  (routine: 'cycle' | 'wheel-by-wheel' | 'maker-led') =>
  ({ vehicle }: TechniqueContext): Notice | undefined =>
    partsOf(vehicle, 'control-unit').some((unit) => unit.routine === routine)
      ? undefined
      : fact('routine-not-offered')

/**
 * Whether a wheel-by-wheel routine that somebody wrote down has the foot pumped while a bleeder is open.
 *
 * @returns undefined where none is written down: either way will do
 */
export function pumpedAsWritten({ vehicle }: Pick<TechniqueContext, 'vehicle'>): boolean | undefined {
  const bleeds = partsOf(vehicle, 'control-unit').flatMap(({ routine, procedure }) =>
    routine === 'wheel-by-wheel' && procedure
      ? procedure.steps.filter(({ bleed }) => bleed !== undefined)
      : [],
  )
  return bleeds.length === 0 ? undefined : bleeds.some(({ by }) => by === 'unit-pumped')
}

export const routineMinutes = (context: TechniqueContext): TechniqueMinutes => ({
  fluidMinutes: minutesInTurn(UNIT_PUMP_KPA, context),
  handlingMinutes: 8 + context.corners.length * 2,
})
