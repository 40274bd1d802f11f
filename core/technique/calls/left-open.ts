import type { CallKind, CallMachine, CallMove } from './machine'

/**
 * One person; the joint stays open while something else drives the fluid, and is looked at meanwhile.
 *
 * @param hoseFeeds whether air is drawn in where the hose comes off or its end leaves the fluid
 */
export function leftOpenCall(
  kind: Extract<CallKind, 'solo' | 'machine' | 'gravity' | 'unit'>,
  words: { opens: (joint: string) => string; runs: string },
  hoseFeeds: boolean,
): CallMachine {
  const close: CallMove = {
    act: 'close',
    confirms: (joint) => `${joint} is CLOSED`,
    to: 'rest',
    deliberate: true,
  }
  const hoseOff: CallMove = {
    act: 'hose-came-off',
    confirms: () => 'Hose came off, or its end left the fluid',
    to: 'slipped',
    airDrawn: true,
    mishap: true,
  }
  const afterHose = {
    slipped: {
      actor: 'wheel',
      does: () => 'Air may have gone in: close it now.',
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
        does: words.opens,
        cab: 'wait',
        open: false,
        next: [{ act: 'open', confirms: () => 'It is open', to: 'open' }],
      },
      open: {
        actor: 'wheel',
        does: () => words.runs,
        cab: 'wait',
        open: true,
        next: hoseFeeds ? [close, hoseOff] : [close],
      },
      ...(hoseFeeds ? afterHose : {}),
    },
  }
}
