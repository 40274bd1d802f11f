import { bench } from './bench'
import { gravity } from './gravity'
import type { CallAct, CallKind, CallMachine, CallMove, CallState, CallStep } from './machine'
import { machineFed } from './machine-fed'
import { pedal } from './pedal'
import { ports } from './ports'
import { pressThrough } from './press-through'
import { pulsed } from './pulsed'
import { reach } from './reach'
import { solo } from './solo'
import { unit } from './unit'
import { vacuum } from './vacuum'

export * from './machine'

/** Every call there is. A new one is one file and one line here. */
export const callMachines: Record<CallKind, CallMachine> = {
  pedal,
  'press-through': pressThrough,
  solo,
  machine: machineFed,
  vacuum,
  gravity,
  bench,
  reach,
  ports,
  unit,
  pulsed,
}

/** What a state of a call asks for; undefined for a state this machine does not have. */
export const callStep = (kind: CallKind, state: CallState): CallStep | undefined =>
  callMachines[kind].states[state]

/** The move an act makes from a state; undefined where it is not possible now. */
export const callMove = (kind: CallKind, state: CallState, act: CallAct): CallMove | undefined =>
  callStep(kind, state)?.next.find((move) => move.act === act)

const mishaps = new Set(
  Object.values(callMachines).flatMap(({ states }) =>
    Object.values(states).flatMap(({ next }) => next.flatMap(({ act, mishap }) => (mishap ? act : []))),
  ),
)
/** Whether an act says that something slipped, in any of the calls. */
export const isMishap = (act: CallAct): boolean => mishaps.has(act)

/** Whether the joint is recorded open. */
export const jointOpen = (kind: CallKind, state: CallState): boolean => callStep(kind, state)?.open ?? false
