import { type Fact, fact } from '../../base/decision'
import type { CallAct, CallMachine, CallMove, CallState, CallStep } from './machine'

export * from './machine'

/** What a state of a call asks for; undefined for a state this machine does not have. */
export const callStep = ({ states }: CallMachine, state: CallState): CallStep | undefined => states[state]

/** The move an act makes from a state; undefined where it is not possible now. */
export const callMove = (call: CallMachine, state: CallState, act: CallAct): CallMove | undefined =>
  callStep(call, state)?.next.find((move) => move.act === act)

/** Whether the joint is recorded open. */
export const jointOpen = (call: CallMachine, state: CallState): boolean =>
  callStep(call, state)?.open ?? false

/** Whether fine bubbles are left time to rise before a place is done. */
export const letsBubblesRise = ({ states }: CallMachine): boolean =>
  Object.values(states).some(({ next }) => next.some(({ settled }) => settled))

/** What is done in a state of a call, and what a move of it confirms, at this joint. */
export const doesFact = ({ does }: CallStep, joint: Fact): Fact => fact(`call-${does}`, { joint })
export const confirmsFact = ({ confirms }: CallMove, joint: Fact): Fact =>
  fact(`confirm-${confirms}`, { joint })
