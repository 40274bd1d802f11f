import { type Fact, fact } from '../base/decision'
import type { PartOf } from './schema'

/** How a reservoir's level is seen: through its wall, in a window of its pot, or from above with the lid off. */
export type LevelSeen = NonNullable<PartOf<'reservoir'>['levelSeen']>

/** Where fluid may be seen to stand, from above: what a glance can tell apart, as a share from MIN to MAX. */
const shares = [1, 0.75, 0.5, 0.25, 0] as const
export type LevelGlance = { says: Fact; ml: number; mark?: 'MAX' | 'MIN' }

export const levelSeenOf = ({ levelSeen = 'marks' }: PartOf<'reservoir'>): LevelSeen => levelSeen

/**
 * What may be tapped for a level, the highest first, mL. Through a wall and from above it is read between two marks. The
 * window of a pot tells MIN at its line and what stands in the glass, taken to be the lower half between the marks; more is
 * told by the line inside, with the lid off. @source common practice; the half from memory
 */
export const levelGlances = (reservoir: PartOf<'reservoir'>): LevelGlance[] =>
  shares.map((share) => ({
    says: fact(`stands-${levelSeenOf(reservoir)}-${100 * share}`),
    ml: reservoir.minMl + share * (reservoir.maxMl - reservoir.minMl),
    ...(share === 1 && { mark: 'MAX' }),
    ...(share === 0 && { mark: 'MIN' }),
  }))
