import { type Fact, fact } from '../../base/decision'
import { type Step, stepFact } from '../step'
import type { CallState } from './machine'

export type UnitActor = 'tool' | 'wheel' | 'cab'
/** What one of the three does now, and whether it is their turn. */
export type Prompt = { who: UnitActor; does: Fact; turn: boolean }

const rests: Record<UnitActor, Fact> = {
  tool: fact('unit-tool-rests'),
  wheel: fact('unit-wheel-rests'),
  cab: fact('unit-cab-rests'),
}

/**
 * While a step of the unit's stage is done: whose it is does it, the others wait. A foot that is down for the tool is
 * never told to come off meanwhile. @source common practice
 */
export const stepPrompts = (step: Step, isFootHeld: boolean): Prompt[] =>
  (['tool', 'wheel', 'cab'] as const).map((who) => {
    if (step.who === who) return { who, does: stepFact(step), turn: true }
    return { who, does: who === 'cab' && isFootHeld ? fact('unit-cab-holds') : rests[who], turn: false }
  })

/**
 * While a bleeder is worked by the unit: it drives or pulses by itself, and nobody starts it before the hose and the
 * bleeder are ready. @source common practice
 */
export function unitPrompts(call: CallState, joint: Fact): Prompt[] {
  if (call === 'open')
    return [
      { who: 'tool', does: fact('unit-tool-runs'), turn: true },
      { who: 'wheel', does: fact('unit-wheel-watches', { joint }), turn: true },
      { who: 'cab', does: fact('unit-cab-follows'), turn: true },
    ]
  return [
    { who: 'tool', does: fact('unit-tool-chosen', { joint }), turn: false },
    { who: 'wheel', does: fact('unit-wheel-opens', { joint }), turn: true },
    { who: 'cab', does: rests.cab, turn: false },
  ]
}
