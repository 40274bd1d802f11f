import { fact, type Notice } from '../base/decision'
import { leftOpenCall } from './calls/left-open'
import { gravityKPa, minutesTogether } from './corner-flow'
import { residualHeldBack } from './hazards'
import { atWheel } from './step'
import { noSettings, type Technique, type TechniqueContext } from './technique'

/** More bottles at once nobody watches. @source from memory */
const BOTTLES = 4
/** Colder than this, gravity moves too little to wait for. @source common practice */
const COLD_SHOP_C = 5
/** Waited at the end for bubbles. @source common practice */
const QUIET_MINUTES = 2

function exclude(context: TechniqueContext): Notice | undefined {
  if (residualHeldBack(context)) return fact('residual-valve-blocks')
  if (context.tempC < COLD_SHOP_C) return fact('shop-too-cold', { tempC: context.tempC })
  if (context.vehicle.parts.some((part) => part.type === 'control-unit' && part.role === 'brake-by-wire'))
    return fact('unit-valves-closed')
  return undefined
}

/** Its own weight drives the fluid into a bottle with a standpipe. */
const call = leftOpenCall('gravity', { opens: 'open-bottle-hung', runs: 'let-run' }, true)

/** A bottle at every bleeder, all open together. @source common practice */
export const gravity: Technique = {
  id: 'gravity',
  method: 'gravity',
  at: 'bleeders',
  drives: 'gravity',
  bottlesAtOnce: BOTTLES,
  needs: ['standpipe-bottles'],
  call,
  exclude,
  ...noSettings,
  minutes: (context) => ({
    fluidMinutes: minutesTogether(gravityKPa(context), context, BOTTLES) + QUIET_MINUTES,
    handlingMinutes: context.corners.length * 3,
  }),
  riskMinutes: () => 2,
  steps: () => ({
    before: [atWheel('bottles')],
    after: [],
  }),
}
