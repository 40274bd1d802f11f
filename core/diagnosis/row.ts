import { perObject } from '../base/memo'
import type { Check } from './check'
import seenOnRig from './seen-on-rig.json' with { type: 'json' }

/**
 * What the simulated vehicle showed counts as much as the table: the one is a model, the other one experienced opinion,
 * and where both are wrong it is in other ways. @source from memory
 */
const RIG_SHARE = 0.5

/** How often each result was seen on simulated vehicles of every kind, half to twice as bad as usual. */
const seen: Readonly<Record<string, Readonly<Record<string, readonly number[]>>>> = seenOnRig

const rowsOf = perObject((_: Check) => new Map<string, readonly number[]>())

/** Chances of a check's results under one cause, in the order of its results; together 1. */
export function rowOf(check: Check, cause: string): readonly number[] {
  const rows = rowsOf(check)
  const known = rows.get(cause)
  if (known) return known
  const tabled = check.under[cause] ?? check.otherwise
  const counts = seen[check.id]?.[cause]
  if (!counts) return tabled
  const all = counts.reduce((sum, each) => sum + each, 0)
  const row = tabled.map((chance, i) => (1 - RIG_SHARE) * chance + (RIG_SHARE * (counts[i] ?? 0)) / all)
  rows.set(cause, row)
  return row
}
