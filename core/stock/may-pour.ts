import { dayNumber } from '../base/day'
import { fact, type Notice } from '../base/decision'
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
    return fact('wrong-container', {
      code: container.code,
      held: container.spec,
      spec,
      mixes: mayMix(container.spec, spec),
    })
  }
  if (container.leftMl <= 0) return fact('container-empty', { code: container.code })
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
  return fact('opened-too-long', { code, days, rule: fact(`opened-rule-${id}`) })
}
