import type { Notice } from '../base/decision'
import { cornersMinutes, gravityKPa } from './corner-flow'
import { residualHeldBack } from './hazards'
import { atWheel } from './step'
import { type MethodContext, noSettings, type Technique } from './technique'

/** Colder than this, gravity moves too little to wait for. @source common practice */
const COLD_SHOP_C = 5
/** Waited at the end for bubbles. @source common practice */
const QUIET_MINUTES = 2

function exclude(context: MethodContext): Notice | undefined {
  if (residualHeldBack(context))
    return { code: 'residual-valve-blocks', text: 'A residual-pressure valve holds more than gravity gives.' }
  if (context.tempC < COLD_SHOP_C)
    return { code: 'shop-too-cold', text: `At ${context.tempC} °C the fluid is too thick to run by itself.` }
  if (context.vehicle.parts.some((part) => part.type === 'control-unit' && part.role === 'brake-by-wire'))
    return {
      code: 'unit-valves-closed',
      text: 'The brake-by-wire unit’s valves stand closed at rest: nothing runs through them.',
    }
  return undefined
}

/** A bottle at every bleeder, all open together. @source common practice */
export const gravity: Technique = {
  id: 'gravity',
  method: 'gravity',
  name: 'Gravity',
  why: 'Slow, but it draws no air and makes no froth.',
  at: 'bleeders',
  needs: ['standpipe-bottles'],
  call: 'gravity',
  exclude,
  ...noSettings,
  minutes: (context) => ({
    fluidMinutes: Math.max(0, ...cornersMinutes(gravityKPa(context), context)) + QUIET_MINUTES,
    handlingMinutes: context.corners.length * 3,
  }),
  riskMinutes: () => 2,
  steps: () => ({
    before: [atWheel('bottles', 'A bottle at every bleeder, hose end under fluid.')],
    after: [],
  }),
  round: [
    'Standpipe bottle on, open half a turn.',
    'Let it run; short light strokes only with the others closed.',
    'Two minutes without a bubble: close, hose off.',
  ],
  done: 'Its volume through, and no bubbles for two minutes.',
  mistakes: ['Forgotten while it runs: the reservoir is dry in a quarter of an hour.'],
}
