import type { PartOf } from '../vehicle/schema'
import type { Actor, Step } from './step'

/** What stands on a vehicle until it is taken away again: one thing, who takes it away, by which step. */
export type StandingThing = {
  /** Code of the step that takes it away. */
  awayBy: string
  who: Actor
  /** It has no place in work that did not set it up: there it is taken away before anything else is done. */
  ownWorkOnly?: true
  /** Valves that stay open while it stands. */
  holdsOpen?: PartOf<'valve'>['role']
}

/** Everything a step may set up. A new one is one line here, and its words. */
export const standingThings: Readonly<Record<string, StandingThing>> = {
  pressure: { awayBy: 'depressurise', who: 'wheel', ownWorkOnly: true },
  adapter: { awayBy: 'adapter-off', who: 'wheel', ownWorkOnly: true },
  prop: { awayBy: 'prop-out', who: 'wheel', ownWorkOnly: true },
  'lever-tied': { awayBy: 'lever-untied', who: 'wheel', ownWorkOnly: true },
  'metering-held': { awayBy: 'free-metering', who: 'wheel', holdsOpen: 'metering' },
  'cylinder-out': { awayBy: 'fit', who: 'wheel' },
  'caliper-hung': { awayBy: 'refit-caliper', who: 'wheel' },
  'axle-loaded': { awayBy: 'unload-axle', who: 'wheel', holdsOpen: 'load-sensing' },
  lockout: { awayBy: 'lockout-back', who: 'wheel' },
  'foot-held': { awayBy: 'foot-up', who: 'cab', ownWorkOnly: true },
  'level-sensor': { awayBy: 'level-sensor-back', who: 'tool' },
  'pedal-sensor': { awayBy: 'pedal-sensor-back', who: 'tool' },
  'wheel-sensor': { awayBy: 'wheel-sensor-back', who: 'tool' },
  'pump-relay': { awayBy: 'pump-relay-back', who: 'tool' },
  battery: { awayBy: 'battery-off', who: 'tool' },
  'unit-unplugged': { awayBy: 'unit-plugged-in', who: 'tool' },
  'service-mode': { awayBy: 'service-mode-out', who: 'tool' },
}
/** A unit that is not powered: it is plugged in by an act of its own. */
export const UNPLUGGED_UNIT = 'unit-unplugged'
export const standingIds = Object.keys(standingThings)

/** What each step sets up in plans that were recorded before steps said so themselves. */
const setBefore: Readonly<Record<string, string>> = {
  pressurise: 'pressure',
  adapter: 'adapter',
  prop: 'prop',
  'hold-metering': 'metering-held',
  vice: 'cylinder-out',
  'hang-caliper': 'caliper-hung',
  'load-axle': 'axle-loaded',
  lockout: 'lockout',
  'level-sensor-off': 'level-sensor',
  battery: 'battery',
  'unpower-unit': 'unit-unplugged',
  'service-mode': 'service-mode',
}
const clearedBefore: Readonly<Record<string, string>> = {
  depressurise: 'pressure',
  'pressure-off': 'pressure',
  'adapter-off': 'adapter',
  'prop-out': 'prop',
  'free-metering': 'metering-held',
  fit: 'cylinder-out',
  'refit-caliper': 'caliper-hung',
  'unload-axle': 'axle-loaded',
  'lockout-back': 'lockout',
  'level-sensor-back': 'level-sensor',
  'battery-off': 'battery',
  'power-unit': 'unit-unplugged',
  'service-mode-out': 'service-mode',
}

/** What a step sets up; undefined where nothing. */
export const setsUp = ({ sets, id }: Pick<Step, 'sets' | 'id'>): string | undefined => sets ?? setBefore[id]

/** What a step takes away; undefined where nothing. */
export const takesAway = ({ clears, id }: Pick<Step, 'clears' | 'id'>): string | undefined =>
  clears ?? clearedBefore[id]

/** Valves that a step holds open from here on, or lets shut again. */
export function valvesHeld(step: Pick<Step, 'sets' | 'clears' | 'id'>): {
  role: PartOf<'valve'>['role']
  on: boolean
}[] {
  const [up, away] = [
    standingThings[setsUp(step) ?? '']?.holdsOpen,
    standingThings[takesAway(step) ?? '']?.holdsOpen,
  ]
  return [...(up ? [{ role: up, on: true }] : []), ...(away ? [{ role: away, on: false }] : [])]
}

/** The step that takes a thing away where no step of the plan does. */
export const awayStep = (thing: string): Step => {
  const { awayBy, who } = standingThings[thing] ?? { awayBy: 'take-away', who: 'wheel' }
  return { id: `away-${thing}`, code: awayBy, who, clears: thing }
}
