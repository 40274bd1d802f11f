import { type Fact, fact } from '../../base/decision'
import { leakCheckStage } from '../../plan/leak-stages'
import { atWheel, type Step } from '../../technique/step'
import type { Vehicle } from '../../vehicle/schema'
import { currentStage, feedsReservoir, pointFact } from '../points'
import type { Draft } from './trouble'

/** Shared by the troubles in this folder. */

/**
 * A step that one trouble adds: its id begins with the event's, so that two alike can be told apart. What follows
 * stands in logs of every version and is never changed.
 */
export const mendStep = (eventId: string, ends: string, code: string, params?: Fact['params']): Step =>
  atWheel(code, params, `${eventId}-${ends}`)

/** What people call these places; "nothing" in the words given where there are none. */
export const namedPoints = (vehicle: Vehicle, points: readonly string[], none: string): readonly Fact[] =>
  points.length > 0 ? points.map((point) => pointFact(vehicle, point)) : [fact(none)]

/** Step of the machine that brings its pressure up, and up again after a mend. */
const PRESSURISE = 'pressurise'

/** Before a joint is opened the machine’s pressure is off; afterwards it is brought up again as before. */
export function pressureOff(draft: Draft): Step[] {
  const stageRun = currentStage(draft.run)
  if (!stageRun || !feedsReservoir(stageRun.stage) || !stageRun.stepsDone.includes(PRESSURISE)) return []
  draft.do({ op: 'step-undone', step: PRESSURISE })
  return [atWheel('pressure-off')]
}

/** A leak check before the proof, where none is still to come. */
export function leakCheckAhead(draft: Draft): void {
  const { stages, stageIndex } = draft.run
  if (stages.some(({ stage }, i) => i >= stageIndex && stage.kind === 'leak-check')) return
  const { stage, reasons } = leakCheckStage()
  draft.do({ op: 'before-proof', stage }).do({ op: 'reasons', reasons })
}
