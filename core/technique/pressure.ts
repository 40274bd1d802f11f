import { machineFed } from './calls/machine-fed'
import { minutesInTurn } from './corner-flow'
import {
  capRiskMinutes,
  MACHINE_KEEPS_ML,
  machineSteps,
  pressureLimits,
  refuseMachine,
  reservoirPressureKPa,
} from './machine-pressure'
import type { Technique } from './technique'

/** Pressure on the reservoir through an adapter. @source common practice */
export const pressure: Technique = {
  id: 'pressure',
  method: 'pressure',
  at: 'bleeders',
  drives: 'machine',
  feedsReservoir: true,
  keepsMl: MACHINE_KEEPS_ML,
  makerStates: ['pressureKPa'],
  needs: [],
  call: machineFed,
  exclude: refuseMachine,
  settings: (context) => ({ pressureKPa: reservoirPressureKPa(context) }),
  limits: (context) => ({ pressureKPa: pressureLimits(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(reservoirPressureKPa(context), context),
    handlingMinutes: 6 + context.corners.length * 2.5,
  }),
  riskMinutes: capRiskMinutes,
  steps: machineSteps,
}
