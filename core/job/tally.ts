import type { JobState, Tally } from './state'

export const freshTally = (): Tally => ({ inMl: 0, outMl: 0, drawnMl: 0, spilledMl: 0, unaccountedMl: 0 })

export const addTally = (a: Tally, b: Partial<Tally>): Tally => ({
  inMl: a.inMl + (b.inMl ?? 0),
  outMl: a.outMl + (b.outMl ?? 0),
  drawnMl: a.drawnMl + (b.drawnMl ?? 0),
  spilledMl: a.spilledMl + (b.spilledMl ?? 0),
  unaccountedMl: a.unaccountedMl + (b.unaccountedMl ?? 0),
})

/** What moved over the whole job, bleeds that were given up with it. */
export const jobTally = ({ run, earlier }: Pick<JobState, 'run' | 'earlier'>): Tally =>
  [...earlier.map(({ tally }) => tally), ...(run?.stages.map(({ tally }) => tally) ?? [])].reduce(
    addTally,
    freshTally(),
  )

/** Used fluid for the drum: what came into the bottle and what was drawn out. What was spilled never reached it. */
export const wasteMl = (tally: Tally): number => tally.outMl + tally.drawnMl
