import type { FluidDue } from '~core/fluid/due'
import { ruleFact, ruleOf } from '~core/fluid/policy/index'
import type { Show } from '~core/units/show'
import { sayEnglish } from '~core/words'

/** The rule that makes it due, in words. */
export function ruleWords(rule: FluidDue['rule'], limit: number | null | undefined, show: Show): string {
  if (rule === 'promised') return 'as set by hand at filing'
  if (rule === 'judged') return 'as it was last measured'
  return sayEnglish(show)(limit === null || limit === undefined ? ruleFact(rule) : ruleOf(rule).words(limit))
}

/** What the day rests on. */
export const dueBasis: Record<FluidDue['basis'], string> = {
  fitted: 'by its own readings',
  default: 'by the usual rise: too few readings of its own',
  given: 'by the calendar',
}
