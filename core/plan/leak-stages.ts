import { type Reason, reason } from '../base/decision'
import { pressure as machine } from '../technique/pressure'
import type { Stage } from './answer'
import { type Build, HANDLING_MINUTES, plainStage } from './stage'
import { leakCheckSteps, machineLeakSteps } from './stage-steps'

/** Fresh joints under the machine's pressure before any fluid is spent, where the shop has one that fits here. */
export function machineLeakCheck(build: Build): Stage[] {
  const { context, request, reasons } = build
  if (!request.shop.methods.includes(machine.method) || machine.exclude(context)) return []
  reasons.push(reason('leak-check-first', 'practice', { setKPa: machine.settings(context).pressureKPa }))
  return [
    {
      ...plainStage(build, 'leak-check', 0, ['leak-check-first']),
      method: machine.method,
      technique: machine.id,
      before: machineLeakSteps(machine.steps(context)),
    },
  ]
}

/** A leak check that something gone wrong asks for, with its reason. */
export const leakCheckStage = (): { stage: Stage; reasons: Reason[] } => ({
  stage: {
    kind: 'leak-check',
    order: [],
    points: [],
    minutes: HANDLING_MINUTES['leak-check'],
    fluidMinutes: 0,
    handlingMinutes: HANDLING_MINUTES['leak-check'],
    ml: 0,
    reasons: ['joints-opened'],
    before: leakCheckSteps,
    after: [],
  },
  reasons: [reason('joints-opened', 'practice')],
})
