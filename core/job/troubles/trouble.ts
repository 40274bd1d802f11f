import { z } from 'zod'
import { type Fact, fact, type Notice } from '../../base/decision'
import { applyChanges, type Change } from '../changes'
import type { Running } from '../events/kind'
import { lookOwed } from '../points'
import type { RunState } from '../state'

export const idField = z.string().min(1, 'pick which one').max(200)
export const mlField = z.number('give mL').min(0, 'give 0 mL or more').max(20_000, 'give at most 20000 mL')

/** What a trouble makes of the job; `startAgain` and `doubtful` name points, what else is finished stays good. */
export type Decided = { says: Fact; startAgain: string[]; doubtful?: string[]; changes: Change[] }
export type Outcome = Decided | { refusal: Notice }

/** One way a step can fail. A new one is one file and one line in the registry. */
export type Trouble<S extends z.ZodType = z.ZodType> = {
  /** What is recorded of it; `what` names it. */
  schema: S
  /** What it changes, worked out once. @param id of the event, so that what it adds can be told apart */
  decide: (state: Running, what: z.output<S>, id: string) => Outcome
}

export const cannot = (code: string, params?: Fact['params']): Outcome => ({ refusal: fact(code, params) })

/** A call under way is brought to its end before anything else is opened, emptied or mended. */
export const callFirst = (run: RunState): Outcome | undefined =>
  run.call === 'rest' && !lookOwed(run)
    ? undefined
    : cannot('trouble-call-first', { point: run.callAt ?? '' })

/** Changes one by one, with the job as they leave it: what comes next may depend on what came before. */
export class Draft {
  readonly changes: Change[] = []
  constructor(
    private now: Running,
    private readonly eventId: string,
  ) {}
  get run(): RunState {
    return this.now.run
  }
  do(change: Change): this {
    this.changes.push(change)
    const next = applyChanges(this.now, [change], this.eventId)
    if (next.run) this.now = { ...next, run: next.run }
    return this
  }
}
