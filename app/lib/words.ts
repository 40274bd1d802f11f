import type { Verdict } from '~core/fluid/judgement'
import type { EventOf } from '~core/job/events'
import type { Work } from '~core/plan/request'

/** What a person calls the reasons for a job. */
export const reasonNames: Record<Work['reason'], string> = {
  service: 'Routine exchange',
  repair: 'Hydraulic repair',
  conversion: 'Wrong fluid: convert',
  'soft-pedal': 'Soft pedal',
}

/** What a person is told of a reading. */
export const verdictWords: Record<Verdict, string> = {
  keep: 'Keep it',
  watch: 'Watch it',
  replace: 'Replace it',
  retest: 'Measure again',
}

/** How a job ended. */
export const outcomeWords: Record<EventOf<'filed'>['outcome'], string> = {
  fit: 'Fit to drive',
  'not-fit': 'NOT fit to drive',
  declined: 'Declined by the customer',
  kept: 'Fluid kept: nothing done',
}

/** The same as a mark, so that a list tells them apart without reading. */
export const outcomeMarks: Record<EventOf<'filed'>['outcome'], string> = {
  fit: '✓',
  'not-fit': '✗',
  declined: '–',
  kept: '○',
}
