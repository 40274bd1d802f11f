import { minutesInTurn } from './corner-flow'
import {
  bleederVacuumKPa,
  capRiskMinutes,
  machineSteps,
  pressureLimits,
  refuseMachine,
  reservoirPressureKPa,
  vacuumLimits,
  vacuumSteps,
} from './machine-pressure'
import type { MethodContext, Technique } from './technique'

const drivingKPa = (context: MethodContext) => reservoirPressureKPa(context) + bleederVacuumKPa(context)

/** An exchange machine: pressure above and vacuum below. @source common practice */
export const pressureVacuum: Technique = {
  id: 'pressure-vacuum',
  method: 'pressure-vacuum',
  name: 'Pressure and vacuum together',
  why: 'The quickest exchange where the machine and its adapter fit.',
  at: 'bleeders',
  needs: [],
  call: 'vacuum',
  exclude: refuseMachine,
  settings: (context) => ({
    pressureKPa: reservoirPressureKPa(context),
    vacuumKPa: bleederVacuumKPa(context),
  }),
  limits: (context) => ({ pressureKPa: pressureLimits(context), vacuumKPa: vacuumLimits(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(drivingKPa(context), context),
    handlingMinutes: 8 + context.corners.length * 2.5,
  }),
  riskMinutes: (context) => capRiskMinutes(context) + 2,
  steps: (context) => {
    const machine = machineSteps(context)
    return { before: [...vacuumSteps(context).before, ...machine.before], after: machine.after }
  },
  round: [
    'Hose on, vacuum drawn, then open.',
    'Watch the tank’s mark and the colour.',
    'Close, hose off with the vacuum still on, cap on.',
  ],
  done: 'The tank’s mark reached, then three looks without bubbles and in new colour.',
  mistakes: [
    'Small steady bubbles drawn past the thread taken for air in the line.',
    'The adapter taken off under pressure.',
  ],
}
