/** How long an opened container of glycol fluid is used. `days`: after the day it was opened; none while it is the same job. */
export type OpenedRule = { name: string; days?: number }

/** @source common practice, three schools */
export const openedRules = {
  'same-job': { name: 'Never kept: an opened one is for the job that opened it' },
  'same-day': { name: 'The day it was opened', days: 0 },
  'thirty-days': { name: '30 days, tightly capped', days: 30 },
} as const satisfies Record<string, OpenedRule>

export type OpenedRuleId = keyof typeof openedRules
export const openedRuleIds = Object.keys(openedRules) as [OpenedRuleId, ...OpenedRuleId[]]
