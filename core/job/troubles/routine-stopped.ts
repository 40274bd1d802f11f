import { z } from 'zod'
import { fact } from '../../base/decision'
import type { Stage } from '../../plan/answer'
import { breaks } from '../../scan-tool/lines'
import { isRoutineStep, type Step } from '../../technique/step'
import { partsOf } from '../../vehicle/parts'
import { currentStage } from '../points'
import { currentStep } from '../steps'
import { mendStep } from './parts'
import { callFirst, cannot, Draft, type Trouble } from './trouble'

/** Why a routine broke off, each with what is done about it before it is begun again. */
export const routineStops = breaks

export const routineStoppedSaid = z.object({
  what: z.literal('routine-stopped'),
  why: z.enum(routineStops, 'pick what happened'),
})

/** Steps of a unit’s routine in a stage, in their order. */
export const routineSteps = ({ before, after }: Pick<Stage, 'before' | 'after'>): Step[] =>
  [...before, ...after].filter(isRoutineStep)

/**
 * A unit’s routine that broke off: nothing stays half done. What stopped it is seen to, a unit by wire is let down anew,
 * and it goes on from the last step that says so, places that are finished stay so.
 */
export const routineStopped: Trouble<typeof routineStoppedSaid> = {
  schema: routineStoppedSaid,
  decide(state, { why }, id) {
    const stageRun = currentStage(state.run)
    const own = stageRun ? routineSteps(stageRun.stage) : []
    if (!stageRun || own.length === 0) return cannot('no-routine-now')
    const busy = callFirst(state.run)
    if (busy) return busy
    const now = currentStep(state)?.step.id
    const reached = own.filter((step) => stageRun.stepsDone.includes(step.id) || step.id === now)
    const last = reached.at(-1)
    if (!last) return cannot('no-routine-now')
    const from = reached.findLast(({ beginsAgain }) => beginsAgain) ?? reached[0] ?? last
    const draft = new Draft(state, id)
    for (const step of reached.slice(reached.indexOf(from))) draft.do({ op: 'step-undone', step: step.id })
    const byWire = partsOf(state.vehicle, 'control-unit').some(({ role }) => role === 'brake-by-wire')
    draft.do({
      op: 'mend',
      steps: [
        mendStep(id, 'stopped', `routine-${why}`),
        ...(byWire ? [mendStep(id, 'down', 'accumulator')] : []),
      ].map((step) => ({ ...step, who: 'tool' as const })),
    })
    return {
      says: fact(`trouble-routine-${why}`, { from: fact(`do-${from.code}`, from.params) }),
      startAgain: [],
      changes: draft.changes,
    }
  },
}
