import type { JobEvent } from '~core/job/events'
import type { JobState, Tally } from '~core/job/state'

/** Less than anybody reads off a bottle. */
const READ_ML = 1
const KINDS = ['inMl', 'outMl', 'drawnMl', 'spilledMl', 'unaccountedMl'] as const

/** Every stage's own sum and those of bleeds that were given up, added by hand. */
function sums({ run, earlier }: JobState): Tally {
  const all = [...(run?.stages ?? []), ...earlier].map(({ tally }) => tally)
  const of = (kind: (typeof KINDS)[number]) => all.reduce((sum, tally) => sum + tally[kind], 0)
  return {
    inMl: of('inMl'),
    outMl: of('outMl'),
    drawnMl: of('drawnMl'),
    spilledMl: of('spilledMl'),
    unaccountedMl: of('unaccountedMl'),
  }
}

/** What a person wrote down with an act, mL. */
function entered(event: JobEvent): number {
  if (event.type === 'topped-up' || event.type === 'pull-seen' || event.type === 'bottle-weighed')
    return event.ml
  if (event.type === 'step-done') return event.ml ?? 0
  if (event.type === 'trouble' && event.trouble.what === 'spilled') return event.trouble.ml
  return 0
}

/** What pulls that nobody looked at, and bottles that run elsewhere, are taken to have brought: gone from a level, and in no sum yet. */
const onAccount = ({ run }: JobState): number =>
  (run?.stages ?? [])
    .flatMap(({ at }) => Object.values(at))
    .reduce((sum, { unseen, countedMl = 0 }) => sum + (unseen?.ml ?? 0) + countedMl, 0)

/** Acts after which the job's sums are others: they enter a whole card, or take an act back. */
const SUMS_ANEW: ReadonlySet<JobEvent['type']> = new Set(['paper-entered', 'undone'])

/**
 * Fluid that an act makes out of nothing or lets vanish: what was written down is in one of the sums, and a level that
 * is known before and after differs by what went in and out.
 */
export function bookLeak(before: JobState, after: JobState, event: JobEvent): string | undefined {
  if (SUMS_ANEW.has(event.type) || (!before.run && !after.run)) return undefined
  const [was, is] = [sums(before), sums(after)]
  const moved = Object.fromEntries(KINDS.map((kind) => [kind, is[kind] - was[kind]])) as Tally
  const told = entered(event)
  const fed = (event.type === 'pull-seen' || event.type === 'bottle-weighed') && moved.inMl > 0
  const booked = Math.max(moved.inMl, moved.outMl) + moved.drawnMl + moved.spilledMl
  // A look at a port tells what came and not how much.
  const unmeasured = event.type === 'pull-seen' && booked === 0
  if (Math.abs(booked - told) > READ_ML && !unmeasured)
    return `${told} mL written down, ${booked.toFixed(1)} in the sums`
  if (!before.run || !after.run) return undefined
  const [levels, now] = [before.run.levelMl, after.run.levelMl]
  const ids = new Set([...Object.keys(levels), ...Object.keys(now)])
  // What was not known before, or is to be looked at again, says nothing.
  if ([...ids].some((id) => levels[id] === undefined || now[id] === undefined)) return undefined
  const rise = [...ids].reduce((sum, id) => sum + (now[id] ?? 0) - (levels[id] ?? 0), 0)
  const taken = onAccount(after) - onAccount(before)
  const net = moved.inMl - moved.outMl - moved.drawnMl - moved.unaccountedMl
  // From or into a place without a level: a cylinder in the vice, a reservoir nobody has looked at.
  const elsewhere = rise === 0 && moved.unaccountedMl === 0
  return fed || elsewhere || Math.abs(rise + taken - net) <= READ_ML
    ? undefined
    : `levels ${rise.toFixed(1)} mL and ${taken.toFixed(1)} on account, sums ${net.toFixed(1)}`
}
