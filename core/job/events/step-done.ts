import { z } from 'zod'
import { fact } from '../../base/decision'
import type { Step } from '../../technique/step'
import { partsOf, reservoirFact } from '../../vehicle/parts'
import { advance } from '../advance'
import { counted, drawsUnseen, pouredInto } from '../levels'
import { amountsAfterDraw, amountsSchema, oldMlAfter, withAmounts } from '../old-fluid'
import { currentStage } from '../points'
import type { JobState, RunState } from '../state'
import { currentStep } from '../steps'
import { tooSoon } from '../timers'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun } from './kind'
import { heldS, ml, short, stamp } from './stamp'

export const stepDoneSchema = z.object({
  ...stamp,
  type: z.literal('step-done'),
  step: short,
  ml: ml.optional(),
  heldS: heldS.optional(),
  /** What has to leave the bleeders after what was really drawn; worked out when it happened. */
  amounts: amountsSchema.optional(),
})
type StepDone = z.output<typeof stepDoneSchema>

function refuse(state: Running, event: StepDone) {
  const now = currentStep(state)
  if (!currentStage(state.run) || now?.step.id !== event.step) return fact('step-not-now')
  if (now.step.asksMl && event.ml === undefined) return fact('amount-missing')
  if (drawsUnseen(state.run, now.step))
    return fact('level-unseen', { reservoir: reservoirFact(state.vehicle, now.step.reservoir ?? '') })
  return tooSoon(now.step.holdS, event.heldS)
}

/** The step as it stands in the job, where it is to be done; a mend before the stage's own. */
function found(
  { mends, stages, stageIndex }: RunState,
  id: string,
): { step: Step; mend: boolean } | undefined {
  const mending = mends[0]?.steps.find((step) => step.id === id)
  if (mending) return { step: mending, mend: true }
  const { before = [], after = [] } = stages[stageIndex]?.stage ?? {}
  const step = [...before, ...after].find((each) => each.id === id)
  return step && { step, mend: false }
}

function apply(state: Running, event: StepDone): JobState {
  const here = found(state.run, event.step)
  if (!here) return state
  const { step } = here
  const ml = event.ml ?? 0
  let next = state.run
  if (step.asksMl === 'drawn') next = drawn(state, step, ml)
  if (step.asksMl === 'poured') next = filled(state, step, ml)
  // What is on the reservoir now is another container than before: its mark is read anew.
  if (step.bottle) next = { ...next, bottleOn: step.bottle === 'on' ? true : undefined, tankMl: undefined }
  if (event.amounts) next = withAmounts(next, event.amounts)
  const [mend, ...others] = next.mends
  if (here.mend && mend) {
    const stepsDone = [...mend.stepsDone, step.id]
    const left = stepsDone.length < mend.steps.length ? [{ ...mend, stepsDone }] : []
    return advance(state, { ...next, mends: [...left, ...others] })
  }
  const stages = next.stages.map((each, i) =>
    i === next.stageIndex ? { ...each, stepsDone: [...each.stepsDone, step.id] } : each,
  )
  return advance(state, { ...next, stages })
}

/** A reservoir that is full again may hold more or less of the old than was planned: the bleeders make up for it. */
function complete(state: JobState, { amounts: _sent, ...event }: StepDone): StepDone {
  const here = isRunning(state) ? found(state.run, event.step) : undefined
  // A filling that mends something comes in the middle of the bleed: what is old by then nobody follows.
  if (!isRunning(state) || !here?.step.fillsToMax || here.mend || here.step.reservoir === undefined)
    return event
  const { step } = here
  const reservoir = reservoirsOf(state, step)[0]
  const amounts = reservoir && amountsAfterDraw(state, reservoir)
  return amounts ? { ...event, amounts } : event
}

/** The reservoirs a step speaks of: its own, else all of them. */
const reservoirsOf = (state: Running, { reservoir }: Step) =>
  partsOf(state.vehicle, 'reservoir').filter(({ id }) => reservoir === undefined || id === reservoir)

function drawn(state: Running, step: Step, ml: number): RunState {
  const run = counted(state.run, { drawnMl: ml })
  const reservoirs = reservoirsOf(state, step)
  const levelMl = { ...run.levelMl }
  const oldMl = { ...run.oldMl }
  for (const reservoir of reservoirs) {
    const { id, minMl } = reservoir
    const before = run.levelMl[id]
    if (step.drawsToMl !== undefined) {
      // What was really drawn counts where the level before it is known; an emptied one is seen to be empty.
      const told = before === undefined || reservoirs.length > 1 || step.drawsToMl === 0
      const left = told ? step.drawsToMl : Math.max(0, before - ml)
      levelMl[id] = left
      const old = oldMlAfter(run, step, reservoir, left)
      if (old !== undefined) oldMl[id] = old
    } else if (step.drawsTo) levelMl[id] = step.drawsTo === 'empty' ? 0 : minMl
  }
  return { ...run, levelMl, oldMl }
}

function filled(state: Running, step: Step, ml: number): RunState {
  const reservoirs = reservoirsOf(state, step)
  const [only] = reservoirs
  if (!step.fillsToMax) {
    // Only what is said to go into a reservoir raises its level; a cylinder in the vice takes some too.
    const before = step.reservoir === undefined ? undefined : state.run.levelMl[step.reservoir]
    return only && before !== undefined
      ? pouredInto(state.run, only.id, ml, before + ml)
      : counted(state.run, { inMl: ml })
  }
  if (only && reservoirs.length === 1) return pouredInto(state.run, only.id, ml, only.maxMl)
  // One amount for several reservoirs says nothing of each: no gap is counted.
  const levelMl = Object.fromEntries(reservoirs.map(({ id, maxMl }) => [id, maxMl]))
  return counted({ ...state.run, levelMl: { ...state.run.levelMl, ...levelMl } }, { inMl: ml })
}

/** One step done, with its amount where it asks for one and the time it was held where it must be. */
export const stepDone: EventKind<StepDone> = {
  type: 'step-done',
  schema: stepDoneSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
