import { type Fact, fact } from '../../base/decision'
import { boilingRule } from './boiling'
import { copperRule } from './copper'
import { distanceRule } from './distance'
import type { Rule } from './rule'
import { timeRule } from './time'
import { waterRule } from './water'

/** Every school of when fluid is replaced, the one that measures most first. A new one is one file and one line here. */
export const rules = {
  boiling: boilingRule,
  water: waterRule,
  copper: copperRule,
  time: timeRule,
  distance: distanceRule,
} as const satisfies Record<string, Rule>

export type RuleId = keyof typeof rules
export const ruleIds = Object.keys(rules) as [RuleId, ...RuleId[]]
export const ruleOf = (id: RuleId): Rule => rules[id]

/** What it goes by. */
export const ruleFact = (id: RuleId): Fact => fact(`limit-rule-${id}`)
