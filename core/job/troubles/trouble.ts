import { z } from 'zod'
import type { Notice } from '../../base/decision'
import type { JobState, RunState } from '../state'

export const idField = z.string().min(1, 'pick which one').max(200)
export const mlField = z.number('give mL').min(0, 'give 0 mL or more').max(20_000, 'give at most 20000 mL')

/** A job with its bleed planned. */
export type Running = JobState & { run: RunState }
export const isRunning = (state: JobState): state is Running => state.run !== undefined

/** What a trouble makes of the job; `startAgain` and `doubtful` name points, what else is finished stays good. */
export type Outcome =
  | { state: JobState; text: string; startAgain: string[]; doubtful?: string[] }
  | { refusal: Notice }

/** One way a step can fail. A new one is one file and one line in the registry. */
export type Trouble<S extends z.ZodType = z.ZodType> = {
  /** What the bay’s button says. */
  title: string
  /** What is recorded of it; `what` names it. */
  schema: S
  /** Changes the plan at once. @param id of the event, so that what it adds can be told apart */
  happened: (state: Running, what: z.output<S>, id: string) => Outcome
}

export const cannot = (code: string, text: string): Outcome => ({ refusal: { code, text } })

/** A call under way is brought to its end before anything else is opened, emptied or mended. */
export const callFirst = ({ call, callAt, lookDue }: RunState): Outcome | undefined =>
  call === 'rest' && !lookDue
    ? undefined
    : cannot('call-under-way', `Bring the call at ${callAt} to its end first: close it, then say it again.`)
