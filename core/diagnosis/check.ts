import type { Complaint } from './complaints'
import type { Repair } from './repair'
import type { Traits } from './traits'

/**
 * What several checks stand on, and the minutes that it takes to get there: the vehicle up with its wheels turning, a
 * hose on the bleeders, the lines off the cylinder.
 */
export type SetUp = 'wheels-up' | 'hose-on' | 'ports-open'
/** @source from memory */
export const setUpMinutes: Record<SetUp, number> = { 'wheels-up': 4, 'hose-on': 4, 'ports-open': 12 }

/** Something that can be looked at, and what it shows under each cause. */
export type Check = {
  id: string
  /** @source from memory */
  minutes: number
  /** What it can show; the first is what a sound vehicle shows. */
  results: readonly string[]
  /** What has to stand before it can be done: a later check on the same one costs its hands' minutes without it. */
  setUp?: SetUp
  /** How many steps it is done in; their words go by its id and their number. */
  steps?: number
  /** Each hose, say, is tried by itself: what kind of place is gone through in turn. */
  inTurn?: 'hose'
  /** It is held for so long. */
  holdS?: number
  /** Several places may be found at once, but for the first result, which says that there is none. */
  several?: true
  /** Results that are one place's: where it is can be said with them. */
  where?: readonly string[]
  /** Comes before all else, whatever it costs. */
  first?: true
  /** Complaints that it can say something about. */
  complaints: readonly Complaint[]
  possible?: (traits: Traits) => boolean
  /** Complaints that have said already what it would say: no news, and not asked. */
  said?: readonly Complaint[]
  /** It moves fluid as this repair does, by the planner's minutes and mL. */
  does?: Repair
  /** Asked only where the level was found low. */
  onlyLow?: true
  /**
   * Chances of the results in their order, where none of the causes below is there, and under each that shows something
   * else.
   * @source from memory, one experienced opinion, unless the file says where it comes from
   */
  otherwise: readonly number[]
  under: Readonly<Record<string, readonly number[]>>
  /** A result after which the vehicle is sound, and the causes that it has then mended. */
  ends?: { result: string; mends: readonly string[] }
  /** Codes of cautions that are shown where it is done. */
  cautions?: readonly string[]
}

/** Of two results, how likely the second is. */
export const second = (chance: number): readonly [number, number] => [1 - chance, chance]
