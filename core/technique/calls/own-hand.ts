import { closeJoint, slipped } from './foot'
import type { CallMachine } from './machine'

/**
 * One person presses, opens, closes and only then lets go: what holds the pedal or lever meanwhile is that person's own
 * hand, or a prop. Two acts a pull are recorded; nobody else's foot has to be told. @source common practice
 *
 * @param says the words of its two states, and of what its acts confirm
 */
export const ownHandCall = (
  kind: string,
  says: { opens: string; closes: string; opened: string; cameBack: string },
): CallMachine => ({
  kind,
  withCab: false,
  looks: { ml: true, colour: true, afterStroke: true },
  states: {
    rest: {
      actor: 'wheel',
      does: says.opens,
      cab: 'wait',
      open: false,
      next: [{ act: 'open', confirms: says.opened, to: 'open' }],
    },
    open: {
      actor: 'wheel',
      does: says.closes,
      cab: 'hold',
      open: true,
      next: [
        { ...closeJoint, to: 'rest' },
        { act: 'foot-slipped', confirms: says.cameBack, to: 'slipped', airDrawn: true, mishap: true },
      ],
    },
    slipped,
  },
})
