import type { CallMachine } from './calls'
import { closed, closeJoint, footSlipped, slipped } from './calls/foot'
import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { noSettings, type Technique } from './technique'

/**
 * Two people and a pedal, opened first: open → press → down and held → closed → release.
 *
 * The joint is open from `opened` to `holding` and in `slipped`. The cab is told to release in `closed` alone, which
 * is reached by the wheel's own act of closing and by nothing else. @source common practice
 */
const call: CallMachine = {
  kind: 'press-through',
  withCab: true,
  looks: { ml: true, colour: true },
  states: {
    rest: {
      actor: 'wheel',
      does: 'open-under-fluid',
      cab: 'stay-off',
      open: false,
      next: [{ act: 'open', confirms: 'open', to: 'opened' }],
    },
    opened: {
      actor: 'wheel',
      does: 'call-one-press',
      cab: 'stay-off',
      open: true,
      next: [
        { act: 'press', confirms: 'press', to: 'pressing', byItself: true },
        { ...closeJoint, to: 'rest', lookAfter: undefined },
      ],
    },
    pressing: {
      actor: 'cab',
      does: 'press-and-stay',
      cab: 'press',
      open: true,
      next: [{ act: 'holding', confirms: 'down-and-holding', to: 'holding' }, footSlipped],
    },
    holding: {
      actor: 'wheel',
      does: 'close-when-down',
      cab: 'hold',
      open: true,
      next: [closeJoint, footSlipped],
    },
    closed,
    slipped,
  },
}

/** Open first, one slow stroke through it, close, release. @source common practice */
export const pressThrough: Technique = {
  id: 'press-through',
  method: 'two-person',
  at: 'bleeders',
  drives: 'foot',
  needsHelper: true,
  needs: [],
  call,
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 10, minutesPerBleeder: 3 }),
  // The bleeder is open before anybody presses: a foot that lifts draws air at once.
  riskMinutes: (context) => 6 + takeUpRiskMinutes(context),
  steps: pedalSteps,
}
