import { z } from 'zod'
import { fact } from '../../base/decision'
import { callOf, currentStage, pointOf } from '../points'
import { fittedStep, leakCheckAhead } from './parts'
import { cannot, Draft, idField, type Trouble } from './trouble'

/** Snapped or stripped: the joint counts as open until somebody says that it is shut, and the brake takes in air. */
function brokenBleeder<S extends z.ZodType<{ point: string }>>(
  schema: S,
  what: 'snapped' | 'stripped',
): Trouble<S> {
  return {
    schema,
    decide(state, { point }, id) {
      const { run } = state
      const known = run.stages.slice(0, run.stageIndex + 1).some((stageRun) => pointOf(stageRun, point))
      if (!known) return cannot('never-worked-at')
      if (run.callAt !== undefined && run.callAt !== point)
        return cannot('trouble-other-first', { point: run.callAt })
      const stageRun = currentStage(run)
      const states = stageRun && callOf(stageRun.stage).states
      // With a foot or a vacuum on it, a broken bleeder is an open one: it is shut by its own act before anything is let go.
      const counts = run.call !== 'rest' && run.call !== 'closed' && run.call !== 'slipped' && states?.open
      const draft = new Draft(state, id)
      draft.do({ op: 'proofs-void' })
      if (counts) draft.do({ op: 'call', to: 'open' })
      draft.do({ op: 'start-again', points: [point] }).do({ op: 'mark', point, trouble: what })
      leakCheckAhead(draft)
      draft.do({ op: 'mend', steps: [fittedStep(id, point, fact(what))] })
      return {
        says: fact('trouble-broken', { point, what: fact(what) }),
        startAgain: [point],
        changes: draft.changes,
      }
    },
  }
}

export const snappedSaid = z.object({ what: z.literal('snapped'), point: idField })
export const strippedSaid = z.object({ what: z.literal('stripped'), point: idField })

export const snapped: Trouble<typeof snappedSaid> = brokenBleeder(snappedSaid, 'snapped')
export const stripped: Trouble<typeof strippedSaid> = brokenBleeder(strippedSaid, 'stripped')
