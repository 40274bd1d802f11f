import { fact, type Notice } from '../base/decision'
import type { Vehicle } from '../vehicle/schema'
import { ownHandCall } from './calls/own-hand'
import { pedalMinutes, refuseFastPumping, refusePump } from './pedal'
import { noSettings, noSteps, type Technique, type TechniqueContext } from './technique'

/** Arms that hold a lever and turn a spanner at its bleeder span so much line at most, m. @source from memory */
const REACH_M = 2.2
/** Where somebody stands beside lever and bleeder at once. @source common practice */
const BESIDE_BOTH: ReadonlySet<Vehicle['kind']> = new Set(['motorcycle', 'quad'])

function refuseOutOfReach({ vehicle, corners }: TechniqueContext): Notice | undefined {
  const far = corners.find(({ route }) => !BESIDE_BOTH.has(vehicle.kind) || !route || route.lengthM > REACH_M)
  return far && fact('out-of-reach', { bleeder: far.bleeder.id })
}

/** A hand at the lever and a spanner at its bleeder: the hand that holds is the one that knows. */
const call = ownHandCall('reach', {
  opens: 'squeeze-and-open',
  closes: 'close-then-let-go',
  opened: 'open-held',
  cameBack: 'lever-came-back',
})

/** One person squeezes, opens, closes and lets go, where lever and bleeder are within reach. @source common practice */
export const withinReach: Technique = {
  id: 'within-reach',
  method: 'solo',
  at: 'bleeders',
  drives: 'foot',
  needs: [],
  call,
  exclude: (context) => refuseOutOfReach(context) ?? refusePump(context) ?? refuseFastPumping(context),
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 8, minutesPerBleeder: 4 }),
  // A hundred squeezes tire a hand, and a tired one lets go too early: for an exchange a check valve is preferred.
  riskMinutes: () => 13,
  steps: noSteps,
}
