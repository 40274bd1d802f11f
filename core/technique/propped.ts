import { fact, type Notice } from '../base/decision'
import { partsOf } from '../vehicle/parts'
import { ownHandCall } from './calls/own-hand'
import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { noSettings, type Technique, type TechniqueContext } from './technique'

/** A prop stands between seat and pedal: a lever, or a vehicle that one straddles, has no place for it. */
function refuseNoPlace({ vehicle }: TechniqueContext): Notice | undefined {
  const pedals = partsOf(vehicle, 'master-cylinder').some(({ actuator }) => actuator === 'pedal')
  const seated = vehicle.kind === 'car' || vehicle.kind === 'van' || vehicle.kind === 'truck'
  return pedals && seated ? undefined : fact('no-place-for-prop')
}

/** The prop goes in, its fluid comes at the bleeder, and it comes out again after the bleeder is closed. */
const call = ownHandCall('propped', {
  opens: 'prop-and-open',
  closes: 'close-then-unprop',
  opened: 'open-propped',
  cameBack: 'prop-slipped',
})

/**
 * One person and a sprung prop that follows the pedal down. A rigid one moves nothing once the hoses have given back what
 * they stored. @source common practice
 */
export const propped: Technique = {
  id: 'propped',
  method: 'solo',
  at: 'bleeders',
  drives: 'foot',
  needs: ['pedal-prop'],
  call,
  exclude: (context) => refuseNoPlace(context) ?? refusePump(context),
  ...noSettings,
  // Twice round the vehicle for each pull.
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 40, minutesPerBleeder: 3 }),
  // Nobody sees it slip, and who walks a hundred times forgets once to close first.
  riskMinutes: (context) => 20 + takeUpRiskMinutes(context),
  steps: pedalSteps,
}
