import { z } from 'zod'
import { fact, type Notice } from '../../base/decision'
import { takesAway, UNPLUGGED_UNIT } from '../../technique/standing'
import type { Step } from '../../technique/step'
import { partsOf, reservoirFact } from '../../vehicle/parts'
import { advance } from '../advance'
import { countMoved, drawsUnseen, pourInto, withLevelsUnknown } from '../levels'
import { amountsAfterDraw, amountsSchema, oldMlAfter, withAmounts } from '../old-fluid'
import { currentStage } from '../points'
import { afterStep } from '../standing'
import type { JobState, Mend, RunState } from '../state'
import { currentStep } from '../steps'
import { tooSoon } from '../timers'
import { mayNotPower } from '../unit-ledger'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun } from './kind'
import { heldS, ml, short, stamp } from './stamp'

export const stepDoneSchema = z.object({
  ...stamp,
  type: z.literal('step-done'),
  step: short,
  ml: ml.optional(),
  heldS: heldS.optional(),
  /** What was waited for and came, and how long that took by the clock of the screen that waited. */
  awaited: short.optional(),
  tookS: z.number().min(0).max(86_400).optional(),
  /** What has to leave the bleeders after what was really drawn; worked out when it happened. */
  amounts: amountsSchema.optional(),
  /** What was in the reservoir by count, and neither came out by this draw nor is left: worked out when it happened. */
  gapMl: z.number().optional(),
})
type StepDone = z.output<typeof stepDoneSchema>

function refuse(state: Running, event: StepDone) {
  const now = currentStep(state)
  if (!currentStage(state.run) || now?.away || now?.step.id !== event.step) return fact('step-not-now')
  if (now.step.asksMl && event.ml === undefined) return fact('amount-missing')
  // An amount nobody counts would be fluid that vanished.
  if (!now.step.asksMl && event.ml !== undefined) return fact('amount-not-asked')
  if (drawsUnseen(state.run, now.step))
    return fact('level-unseen', { reservoir: reservoirFact(state.vehicle, now.step.reservoir ?? '') })
  const gate = takesAway(now.step) === UNPLUGGED_UNIT ? mayNotPower(state) : undefined
  if (gate) return gate
  return tooSoon(now.step.holdS, event.heldS) ?? notAwaited(now.step, event)
}

/** What a routine waits for is said to have come, and not before it can have. */
function notAwaited({ awaits, leastS }: Step, { awaited, tookS }: StepDone): Notice | undefined {
  if (awaited !== awaits) return fact('not-awaited')
  // Before it can have come nobody has seen it.
  const took = Math.max(0, tookS ?? 0)
  return leastS !== undefined && took < leastS
    ? fact('wait-too-short', { leftS: Math.ceil(leastS - took) })
    : undefined
}

/** The step as it stands in the job, where it is to be done; a mend's before the stage's own. */
function found(state: Running, id: string): { step: Step; mend?: Mend } | undefined {
  const { mends, stages, stageIndex } = state.run
  for (const mend of mends) {
    const step = mend.steps.find((each) => each.id === id)
    if (step) return { step, mend }
  }
  const { before = [], after = [] } = stages[stageIndex]?.stage ?? {}
  const step = [...before, ...after].find((each) => each.id === id)
  return step && { step }
}

function apply(state: Running, event: StepDone): JobState {
  const here = found(state, event.step)
  if (!here) return state
  const { step, mend } = here
  const ml = event.ml ?? 0
  let next = state.run
  if (step.asksMl === 'drawn') next = drawn(state, step, ml, event.gapMl)
  if (step.asksMl === 'poured') next = fill(state, step, ml)
  if (step.pressesHome && step.reservoir !== undefined) next = withOldRisen(next, step.reservoir)
  // What is on the reservoir now is another container than before: its mark is read anew.
  if (step.bottle) next = { ...next, bottleOn: step.bottle === 'on' ? true : undefined, tankMl: undefined }
  if (event.amounts) next = withAmounts(next, event.amounts)
  const stood = { ...state, standing: afterStep(state.standing, step) }
  if (mend) {
    const stepsDone = [...mend.stepsDone, step.id]
    const mends = next.mends.flatMap((each) => {
      if (each !== mend) return each
      return stepsDone.length < mend.steps.length ? { ...mend, stepsDone } : []
    })
    return advance(stood, { ...next, mends })
  }
  const stages = next.stages.map((each, i) =>
    i === next.stageIndex
      ? { ...each, stepsDone: [...each.stepsDone.filter((id) => id !== step.id), step.id] }
      : each,
  )
  return advance(stood, { ...next, stages })
}

/** A reservoir that is full again may hold more or less of the old than was planned: the bleeders make up for it. */
function complete(state: JobState, { amounts: _sent, gapMl: _too, ...event }: StepDone): StepDone {
  const here = isRunning(state) ? found(state, event.step) : undefined
  if (isRunning(state) && here?.step.asksMl === 'drawn') return withGap(state, here.step, event)
  // A filling that mends something comes in the middle of the bleed: what is old by then nobody follows.
  if (!isRunning(state) || !here?.step.fillsToMax || here.mend || here.step.reservoir === undefined)
    return event
  const { step } = here
  const reservoir = reservoirsOf(state, step)[0]
  const amounts = reservoir && amountsAfterDraw(state, reservoir)
  return amounts ? { ...event, amounts } : event
}

/**
 * One that is emptied is seen to be empty: what it held by count and did not give is gone somewhere. One that gave more
 * than it held by count held more.
 */
function withGap(state: Running, step: Step, event: StepDone): StepDone {
  const reservoirs = reservoirsOf(state, step)
  const [only] = reservoirs
  const before = only && state.run.levelMl[only.id]
  if (reservoirs.length !== 1 || before === undefined) return event
  const emptied = step.drawsTo === 'empty' || step.drawsToMl === 0
  const ml = event.ml ?? 0
  const gapMl = emptied ? before - ml : Math.min(0, before - ml)
  return Math.abs(gapMl) < 1e-9 ? event : { ...event, gapMl }
}

/** The reservoirs a step speaks of: its own, else all of them. */
const reservoirsOf = (state: Running, { reservoir }: Step) =>
  partsOf(state.vehicle, 'reservoir').filter(({ id }) => reservoir === undefined || id === reservoir)

/** What comes up when pistons go home is old: nobody knows how much, so all of it counts as old until it is drawn. */
function withOldRisen(run: RunState, reservoirId: string): RunState {
  const { [reservoirId]: _mixed, ...oldMl } = run.oldMl ?? {}
  return { ...withLevelsUnknown(run, [reservoirId]), oldMl }
}

function drawn(state: Running, step: Step, ml: number, gapMl = 0): RunState {
  const run = countMoved(state.run, { drawnMl: ml, unaccountedMl: gapMl })
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

function fill(state: Running, step: Step, ml: number): RunState {
  const reservoirs = reservoirsOf(state, step)
  const [only] = reservoirs
  if (!step.fillsToMax) {
    // Only what is said to go into a reservoir raises its level; a cylinder in the vice takes some too.
    const before = step.reservoir === undefined ? undefined : state.run.levelMl[step.reservoir]
    return only && before !== undefined
      ? pourInto(state.run, only.id, ml, before + ml)
      : countMoved(state.run, { inMl: ml })
  }
  if (only && reservoirs.length === 1) return pourInto(state.run, only.id, ml, only.maxMl)
  // One amount for several reservoirs says nothing of each: no gap is counted.
  const levelMl = Object.fromEntries(reservoirs.map(({ id, maxMl }) => [id, maxMl]))
  return countMoved({ ...state.run, levelMl: { ...state.run.levelMl, ...levelMl } }, { inMl: ml })
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
  movesFluid: true,
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
