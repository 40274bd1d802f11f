import { dayNumber } from '../base/day'
import type { Notice } from '../base/decision'
import { type FluidSpec, fluidOf, mayMix } from '../fluid/specs'
import type { ShelfContainer } from './container'
import { type OpenedRule, type OpenedRuleId, openedRules } from './opened-rule'

type Pouring = {
  /** What the plan pours. */
  spec: FluidSpec
  /** What the vehicle takes besides. */
  alsoAllowed: readonly FluidSpec[]
  rule: OpenedRuleId
  today: string
  /** Codes of containers that this job has opened. */
  openedHere?: readonly string[]
}

/** Why a container must not be poured into a job; undefined where it may. */
export function mayNotPour(container: ShelfContainer, pouring: Pouring): Notice | undefined {
  const { spec, alsoAllowed } = pouring
  if (container.spec !== spec && !alsoAllowed.includes(container.spec)) {
    const why = mayMix(container.spec, spec) ? 'the maker does not allow it here' : 'the two must never mix'
    return {
      code: 'wrong-container',
      text: `${container.code} holds ${container.spec}; ${spec} goes in here, and ${why}. Put it back.`,
    }
  }
  if (container.leftMl <= 0)
    return {
      code: 'container-empty',
      text: `${container.code} is empty by the book: take another, or correct what is left in it.`,
    }
  return pastItsTime(container, pouring)
}

/** An opened glycol container takes up water from the air; a sealed one, silicone and mineral oil do not. */
export function pastItsTime(
  { code, spec, openedOn }: ShelfContainer,
  { rule: id, today, openedHere = [] }: Pick<Pouring, 'rule' | 'today' | 'openedHere'>,
): Notice | undefined {
  if (openedOn === undefined || fluidOf(spec).base !== 'glycol') return undefined
  const rule: OpenedRule = openedRules[id]
  const days = dayNumber(today) - dayNumber(openedOn)
  const past = rule.days === undefined ? !openedHere.includes(code) : days > rule.days
  if (!past) return undefined
  const ago = days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`
  return {
    code: 'opened-too-long',
    text: `${code} was opened ${ago}. The shop’s rule: ${rule.name.charAt(0).toLowerCase()}${rule.name.slice(1)}. It has drawn water from the air: throw it away and open a sealed one.`,
  }
}
