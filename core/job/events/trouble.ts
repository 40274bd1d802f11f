import { z } from 'zod'
import { fact } from '../../base/decision'
import { factSchema } from '../../base/fact-schema'
import { advance } from '../advance'
import { finishedPoints } from '../change'
import { applyChanges, changeSchema } from '../changes'
import type { JobState } from '../state'
import { decideTrouble, troubleSchema } from '../troubles'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

/** What it made of the job, worked out when it happened. */
const becameSchema = z.object({
  says: factSchema,
  startAgain: z.array(short).max(400),
  doubtful: z.array(short).max(400),
  changes: z.array(changeSchema).max(40),
})

export const troubleEventSchema = z.object({
  ...stamp,
  type: z.literal('trouble'),
  trouble: troubleSchema,
  became: becameSchema.optional(),
})
type TroubleEvent = z.output<typeof troubleEventSchema>

function refuse(state: Running, event: TroubleEvent) {
  const outcome = decideTrouble(state, event.trouble, event.id)
  return 'refusal' in outcome ? outcome.refusal : undefined
}

function complete(state: JobState, event: TroubleEvent): TroubleEvent {
  const outcome = isRunning(state) ? decideTrouble(state, event.trouble, event.id) : undefined
  if (!outcome || 'refusal' in outcome) return event
  const { says, startAgain, doubtful = [], changes } = outcome
  return { ...event, became: { says, startAgain, doubtful, changes } }
}

function apply(state: Running, event: TroubleEvent): JobState {
  const { says, startAgain, doubtful, changes } = event.became ?? {
    says: fact(`trouble-${event.trouble.what}`),
    startAgain: [],
    doubtful: [],
    changes: [],
  }
  const report = {
    eventId: event.id,
    at: event.at,
    by: event.by,
    what: event.trouble.what,
    says,
    startAgain,
    doubtful,
    stillValid: finishedPoints(state.run).filter((id) => !startAgain.includes(id) && !doubtful.includes(id)),
  }
  const changed = applyChanges(state, changes, event.id)
  const next = { ...changed, troubles: [...changed.troubles, report] }
  // Whatever was being held or waited for is broken off.
  return isRunning(next) ? advance(next, { ...next.run, timers: {} }) : next
}

/** What was gone from a reservoir that ran dry was not counted then. */
const asThen = (event: TroubleEvent): TroubleEvent => ({
  ...event,
  became: event.became && {
    ...event.became,
    changes: event.became.changes.map((change) =>
      change.op === 'level-lost' ? { ...change, op: 'level' as const } : change,
    ),
  },
})

/** Something went wrong: what it changes is stored with it, so that a later planner changes nothing of it. */
export const trouble: EventKind<TroubleEvent> = {
  type: 'trouble',
  schema: troubleEventSchema,
  version: 2,
  // Version 1 asked the planner again at every reading; what it says now is taken, once.
  upcasts: [(old, before) => (before ? asThen(complete(before, old as TroubleEvent)) : old)],
  madeAt: 'vehicle',
  undo: true,
  aside: true,
  wentWrong: () => true,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
