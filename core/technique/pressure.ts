import { minutesInTurn } from './corner-flow'
import {
  capRiskMinutes,
  machineSteps,
  pressureLimits,
  refuseMachine,
  reservoirPressureKPa,
} from './machine-pressure'
import { type Technique, VOLUME_DONE } from './technique'

/** Pressure on the reservoir through an adapter. @source common practice */
export const pressure: Technique = {
  id: 'pressure',
  method: 'pressure',
  name: 'Pressure at the reservoir',
  why: 'Steady flow with one person; the machine keeps the reservoir full.',
  at: 'bleeders',
  needs: [],
  call: 'machine',
  exclude: refuseMachine,
  settings: (context) => ({ pressureKPa: reservoirPressureKPa(context) }),
  limits: (context) => ({ pressureKPa: pressureLimits(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(reservoirPressureKPa(context), context),
    handlingMinutes: 6 + context.corners.length * 2.5,
  }),
  riskMinutes: capRiskMinutes,
  steps: machineSteps,
  round: [
    'Hose on, open half a turn: the machine drives.',
    'Watch colour, bubbles and the bottle’s marks.',
    'Close, hose off, cap on.',
  ],
  done: VOLUME_DONE,
  mistakes: [
    'The adapter taken off under pressure: fluid over the paint.',
    'The machine runs empty and blows air into the reservoir.',
    'Level left over MAX: it comes out when it warms up.',
  ],
}
