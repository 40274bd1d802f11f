import type { CallMachine, CallMove } from './machine'

/**
 * One person; the joint stays open while something else drives the fluid, and is looked at meanwhile.
 *
 * @param hoseFeeds whether air is drawn in where the hose comes off or its end leaves the fluid
 */
export function leftOpenCall(
  kind: string,
  does: { opens: string; runs: string },
  hoseFeeds: boolean,
): CallMachine {
  const close: CallMove = {
    act: 'close',
    confirms: 'closed',
    to: 'rest',
    deliberate: true,
  }
  const hoseOff: CallMove = {
    act: 'hose-came-off',
    confirms: 'hose-off',
    to: 'slipped',
    airDrawn: true,
    mishap: true,
  }
  const afterHose = {
    slipped: {
      actor: 'wheel',
      does: 'close-after-air',
      cab: 'wait',
      open: true,
      next: [close],
    },
  } as const
  return {
    kind,
    withCab: false,
    looks: { ml: true, colour: true },
    states: {
      rest: {
        actor: 'wheel',
        does: does.opens,
        cab: 'wait',
        open: false,
        next: [{ act: 'open', confirms: 'open', to: 'open' }],
      },
      open: {
        actor: 'wheel',
        does: does.runs,
        cab: 'wait',
        open: true,
        next: hoseFeeds ? [close, hoseOff] : [close],
      },
      ...(hoseFeeds ? afterHose : {}),
    },
  }
}
