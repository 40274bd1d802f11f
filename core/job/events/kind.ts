import type { z } from 'zod'
import type { Notice } from '../../base/decision'
import type { JobState, RunState } from '../state'

/** A job with its bleed planned. */
export type Running = JobState & { run: RunState }
export const isRunning = (state: JobState): state is Running => state.run !== undefined

/** An event of an older version of its type, as the next version has it. */
export type Upcast = (old: Record<string, unknown>, before: JobState | undefined) => Record<string, unknown>

type Any = { type: string; id: string; at: string }

/**
 * One type of event, whole: what is stored, how older versions of it are read, who may do it when, and what it makes
 * of the job. A new one is one file and one line in the registry.
 *
 * `refuse` judges an act that is about to be recorded, by today's rules. `apply` takes what was recorded as it was
 * recorded: it refuses nothing, asks no rule that may change, and plans nothing. What an act needs a rule or the
 * planner for is worked out once by `complete` and stored with it.
 */
export type EventKind<E extends Any = Any> = {
  type: E['type']
  schema: z.ZodType<E>
  /** Version of the shape written today; `upcasts[n]` reads version n + 1 as n + 2. */
  version: number
  upcasts: readonly Upcast[]
  /** Made at the desk by the server, or sent by a screen at the vehicle. */
  madeAt: 'desk' | 'vehicle'
  /** Whether it can be taken back; `along` where it is no act of anybody’s, and goes with the act before it. */
  undo: boolean | 'along'
  /** May be recorded while the job is parked, or once it is filed. */
  whileParked?: true
  onceFiled?: true
  /** What must stand before it: a plan, or also the plate compared under it. */
  needs?: 'plan' | 'plate'
  /** It presses, fills or bleeds: never begun while a part is off that leaves the hydraulics open. */
  movesFluid?: true
  /** It belongs to whatever was being done when it came. */
  aside?: true
  /** It tells of something that went wrong, for whoever reads the trace for that. */
  wentWrong?(event: E): boolean
  /** Why it cannot be now; undefined where it can. */
  refuse(state: JobState, event: E): Notice | undefined
  complete?(state: JobState, event: E): E
  apply(state: JobState, event: E): JobState
}

/** For acts on a job with a plan: the rest leaves it as it is. */
export const onRun =
  <E>(apply: (state: Running, event: E) => JobState) =>
  (state: JobState, event: E): JobState =>
    isRunning(state) ? apply(state, event) : state

/** The same for what may refuse: without a plan the registry has refused it before. */
export const refuseOnRun =
  <E>(refuse: (state: Running, event: E) => Notice | undefined) =>
  (state: JobState, event: E): Notice | undefined =>
    isRunning(state) ? refuse(state, event) : undefined

export const neverRefused = (): undefined => undefined
