import type { RigFault } from '../rig/request'
import type { Complaint } from './complaints'
import type { Repair } from './repair'
import type { Touched } from './touched'
import type { Traits } from './traits'
import type { PlaceKind } from './where'

/**
 * What is left open of a choke: so many times as bad passes so many times less.
 *
 * @source Hagen and Poiseuille: flow grows with the fourth power of a bore
 */
export const boreLeft = (usualMm: number, severity: number): number => usualMm * severity ** -0.25

/** Something that can be wrong, with all that is its own: where it is one of many like it, another is one file and one line. */
export type Cause = {
  id: string
  /**
   * How often it is that, per cent of vehicles that come with a complaint. Taken together they need not make a hundred.
   * One experienced opinion to begin from: a shop's own cases correct it.
   * @source from memory
   */
  chance: Partial<Record<Complaint, number>>
  /** Left out: every vehicle has what it takes. */
  possible?: (traits: Traits) => boolean
  /** It is a thing of rubber, which ages. */
  rubber?: true
  /** How many times as likely for what was done before. */
  history?: (done: Touched) => number
  /** Brakes may be lost by it: a shop that seldom sees it suspects it no less. */
  unsafe?: true
  /** What kind of thing it sits in, where a place can be named. */
  at?: PlaceKind
  repair: Repair
  /** What it is on the simulated vehicle, where it is hydraulic; `severity` 1 as usual, 2 twice as bad. */
  onRig?: (
    at: string,
    severity: number,
  ) => {
    faults?: RigFault[]
    airMl?: Record<string, number>
    closedAirMl?: Record<string, number>
  }
}
