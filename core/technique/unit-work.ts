import { fact, type Notice } from '../base/decision'
import { minutesInTurn } from './corner-flow'
import { atTool, type Steps } from './step'
import type { MethodContext, MethodMinutes } from './technique'

/** Line pressure of a unit's pump while one bleeder is open. @source from memory */
const UNIT_PUMP_KPA = 1000

/** A routine is the vehicle's own, never the tool's: one it does not offer is never started. */
export const refuseOtherRoutine =
  (routine: 'cycle' | 'wheel-by-wheel' | 'maker-led') =>
  ({ vehicle }: MethodContext): Notice | undefined => {
    const offered = vehicle.parts.flatMap((part) => (part.type === 'control-unit' ? [part.routine] : []))
    return offered.includes(routine) ? undefined : fact('routine-not-offered')
  }

export const routineMinutes = (context: MethodContext): MethodMinutes => ({
  fluidMinutes: minutesInTurn(UNIT_PUMP_KPA, context),
  handlingMinutes: 8 + context.corners.length * 2,
})

/** Battery, connection and routine before; ignition off after. @source common practice */
export const routineSteps = (...own: Steps['before']): Steps => ({
  before: [{ ...atTool('battery'), sets: 'battery' }, ...own],
  after: [atTool('unpower')],
})
