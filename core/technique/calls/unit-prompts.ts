import type { Step } from '../step'
import type { CallState } from './machine'

export type UnitActor = 'tool' | 'wheel' | 'cab'
/** What one of the three does now, and whether it is their turn. */
export type Prompt = { who: UnitActor; does: string; turn: boolean }

const rests: Record<UnitActor, string> = {
  tool: 'Routine chosen, not started.',
  wheel: 'Every bleeder closed, hands clear of the unit.',
  cab: 'Foot off, until the tool’s screen asks for the pedal.',
}

/** While a step of the unit's stage is done: whose it is does it, the others wait. @source common practice */
export const stepPrompts = (step: Step): Prompt[] =>
  (['tool', 'wheel', 'cab'] as const).map((who) =>
    step.who === who ? { who, does: step.text, turn: true } : { who, does: rests[who], turn: false },
  )

/**
 * While a bleeder is worked by the unit: it drives or pulses by itself, and nobody starts it before the hose and the
 * bleeder are ready. @source common practice
 */
export function unitPrompts(call: CallState, joint: string): Prompt[] {
  if (call === 'open')
    return [
      { who: 'tool', does: 'Start it, and do what its screen asks. It may be fast.', turn: true },
      { who: 'wheel', does: `Watch the hose at ${joint}, the bottle and the reservoir.`, turn: true },
      {
        who: 'cab',
        does: 'Press or hold only when the tool’s screen asks, and let go when it says so.',
        turn: true,
      },
    ]
  return [
    { who: 'tool', does: `Routine chosen for ${joint}, not started.`, turn: false },
    { who: 'wheel', does: `Hose on, open ${joint}, half a turn, and call out that it is open.`, turn: true },
    { who: 'cab', does: rests.cab, turn: false },
  ]
}
