import { type Fact, fact } from '../../base/decision'
import type { Stage } from '../../plan/answer'
import { leakCheckStage } from '../../plan/leak-stages'
import { atWheel, type Step } from '../../technique/step'
import type { Vehicle } from '../../vehicle/schema'
import { pointFact } from '../points'
import type { Draft } from './trouble'

/** Shared by the troubles in this folder. */

/**
 * A step that one trouble adds: its id begins with the event's, so that two alike can be told apart. What follows
 * stands in logs of every version and is never changed.
 */
export const mendStep = (eventId: string, ends: string, code: string, params?: Fact['params']): Step =>
  atWheel(code, params, `${eventId}-${ends}`)

/** A broken bleeder renewed, which shuts it. */
export const fittedStep = (eventId: string, point: string, what: Fact, ends = 'fitted'): Step => ({
  ...mendStep(eventId, ends, 'bleeder-fitted', { point, what }),
  shuts: point,
})

/** What people call these places; "nothing" in the words given where there are none. */
export const namedPoints = (vehicle: Vehicle, points: readonly string[], none: string): readonly Fact[] =>
  points.length > 0 ? points.map((point) => pointFact(vehicle, point)) : [fact(none)]

/**
 * A leak check before the proof, where none is still to come; one that was under way begins again, since what it saw so
 * far says nothing of what is mended now.
 */
export function leakCheckAhead(draft: Draft): void {
  const { stages, stageIndex } = draft.run
  const now = stages[stageIndex]
  if (now?.stage.kind === 'leak-check')
    for (const step of now.stepsDone) draft.do({ op: 'step-undone', step })
  // Under the machine alone a joint is only looked at: full effort proves it.
  const fullEffort = ({ kind, technique }: Stage) => kind === 'leak-check' && technique === undefined
  if (stages.some(({ stage }, i) => i >= stageIndex && fullEffort(stage))) return
  const { stage, reasons } = leakCheckStage()
  draft.do({ op: 'before-proof', stage }).do({ op: 'reasons', reasons })
}
