import type { CallMachine } from './machine'

/** A bubble of 0.1 mm takes about three minutes through 60 mm of fluid at 20 °C. @source Stokes' law */
const SETTLE_S = 180

/**
 * A cylinder in the vice: a full slow stroke with a second's hold, back with the hose ends under the fluid, and time
 * for fine bubbles to rise before the last strokes count. @source common practice
 */
export const bench: CallMachine = {
  kind: 'bench',
  withCab: false,
  offVehicle: true,
  looks: { ml: false, colour: false, afterStroke: true },
  states: {
    rest: {
      actor: 'wheel',
      does: 'stroke-in',
      cab: 'wait',
      open: false,
      next: [
        { act: 'stroke', confirms: 'in', to: 'stroked' },
        { act: 'settle', confirms: 'settle', to: 'settling' },
      ],
    },
    stroked: {
      actor: 'wheel',
      does: 'stroke-back',
      cab: 'wait',
      open: false,
      next: [{ act: 'back', confirms: 'back', to: 'rest', lookAfter: true }],
    },
    settling: {
      actor: 'wheel',
      does: 'let-rise',
      cab: 'wait',
      open: false,
      waitS: SETTLE_S,
      next: [{ act: 'risen', confirms: 'risen', to: 'rest', settled: true }],
    },
  },
}
