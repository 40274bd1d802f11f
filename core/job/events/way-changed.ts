import { z } from 'zod'
import { factSchema } from '../../base/fact-schema'
import { type Step, stepFact } from '../../technique/step'
import { techniqueIdSchema } from '../../technique/technique'
import { sayMetric } from '../../words'
import { advance } from '../advance'
import { decideOtherWay } from '../another-way'
import { applyChanges, changeSchema } from '../changes'
import { currentStage } from '../points'
import type { JobState } from '../state'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun, type Upcast } from './kind'
import { note, stamp } from './stamp'

export const wayChangedSchema = z.object({
  ...stamp,
  type: z.literal('way-changed'),
  technique: techniqueIdSchema,
  /** Nobody sits in the cab any more. */
  alone: z.boolean(),
  why: note.min(1, 'say why'),
  /** What it made of the job, planned when it was done. */
  became: z.object({ says: factSchema, changes: z.array(changeSchema).max(40) }).optional(),
})
type WayChanged = z.output<typeof wayChangedSchema>

function refuse(state: Running, event: WayChanged) {
  const decided = decideOtherWay(state, event)
  return 'refusal' in decided ? decided.refusal : undefined
}

function complete(state: JobState, event: WayChanged): WayChanged {
  const decided = isRunning(state) ? decideOtherWay(state, event) : undefined
  return decided && 'changes' in decided ? { ...event, became: decided } : event
}

function apply(state: Running, event: WayChanged): JobState {
  if (!event.became) return state
  const now = currentStage(state.run)
  const report = {
    eventId: event.id,
    at: event.at,
    by: event.by,
    what: 'way-changed',
    says: event.became.says,
    startAgain: [],
    doubtful: [],
    stillValid: (now?.points ?? []).filter((id) => now?.at[id]?.finished),
  }
  const changed = applyChanges(state, event.became.changes, event.id)
  const next = { ...changed, troubles: [...changed.troubles, report] }
  return isRunning(next) ? advance(next, next.run) : next
}

/**
 * Version 1 planned anew at every reading; what it says now is taken, once. Steps were told apart by their sentence
 * then: one that both ways share is the one that was recorded, or what was done of it would be asked for again.
 */
const fromVersion1: Upcast = (old, before) => {
  const event = before ? complete(before, old as WayChanged) : (old as WayChanged)
  const recorded = (before?.run?.stages ?? []).flatMap(({ stage }) => [...stage.before, ...stage.after])
  const asRecorded = (step: Step) =>
    recorded.find(({ id, text }) => id === step.id && text === sayMetric(stepFact(step))) ?? step
  const changes = event.became?.changes.map((change) =>
    change.op === 'other-way'
      ? {
          ...change,
          stage: {
            ...change.stage,
            before: change.stage.before.map(asRecorded),
            after: change.stage.after.map(asRecorded),
          },
        }
      : change,
  )
  return event.became && changes ? { ...event, became: { ...event.became, changes } } : event
}

/**
 * The work under the hands goes on by another way: what went through stays counted, each bleeder that is not finished
 * is prepared for it anew, and what the way before leaves behind is put away first.
 */
export const wayChanged: EventKind<WayChanged> = {
  type: 'way-changed',
  schema: wayChangedSchema,
  version: 2,
  upcasts: [fromVersion1],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
