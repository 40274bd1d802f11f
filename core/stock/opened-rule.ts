import { type Fact, fact } from '../base/decision'

/** How long an opened container of glycol fluid is used. `days`: after the day it was opened; none while it is the same job. */
export type OpenedRule = { days?: number }

/** @source common practice, three schools */
export const openedRules = {
  'same-job': {},
  'same-day': { days: 0 },
  'thirty-days': { days: 30 },
} as const satisfies Record<string, OpenedRule>

export type OpenedRuleId = keyof typeof openedRules
export const openedRuleIds = Object.keys(openedRules) as [OpenedRuleId, ...OpenedRuleId[]]

export const openedRuleFact = (id: OpenedRuleId): Fact => fact(`opened-rule-${id}`)
