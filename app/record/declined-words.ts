import type { JobState } from '~core/job/state'
import type { Say } from '~core/words'

/** Lines of an estimate that the customer declined, with what was said. */
export const declinedWords = ({ declinedLines = [] }: JobState, say: Say): string[] =>
  declinedLines.map(({ says, note }) => `${say(says)}: ${note}`)
