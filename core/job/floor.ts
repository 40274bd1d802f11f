import { mayMix } from '../fluid/specs'
import { partsOf } from '../vehicle/parts'
import { wayChanged } from './another-way'
import { type Applied, refuse } from './applied'
import { atPoint } from './at-point'
import { bottleHung, bottleWatched } from './bottles'
import { finishedPoints } from './change'
import { withRun } from './copies'
import type { EventOf, FloorEvent } from './events'
import { counted, poured } from './levels'
import { currentPoint, currentStage, machineFeeds } from './points'
import type { JobState, RunState } from './state'
import { currentStep } from './steps'
import { tooSoon } from './timers'
import { happened } from './troubles'
import { isRunning, type Running } from './troubles/trouble'

type OnFloor = Exclude<FloorEvent, { type: 'check-proved' | 'bleed-again' | 'undone' | 'parked' | 'resumed' }>

/** What an act at the vehicle makes of the job: plate, steps, fluid, what went wrong, and the work at each point. */
export function onTheFloor(state: JobState, event: OnFloor): Applied {
  if (!isRunning(state)) return refuse('no-plan', 'Take a plan first.')
  const { run } = state
  if (event.type === 'plate-confirmed') return going(state, { ...run, plateConfirmed: true })
  if (!run.plateConfirmed)
    return refuse('plate-not-confirmed', 'Compare the plate first: is this the vehicle?')
  switch (event.type) {
    case 'timer-started':
      return { ok: true, state: { ...state, run: timed(run, event.timer, event.at) } }
    case 'step-done':
      return stepDone(state, event)
    case 'topped-up':
    case 'level-read':
      return levelSeen(state, event)
    case 'bottle-emptied':
      return { ok: true, state: { ...state, run: { ...run, bottleMl: 0 } } }
    case 'bottle-hung':
      return bottleHung(state, event)
    case 'bottle-watched':
      return bottleWatched(state, event)
    case 'tank-read': {
      const stageRun = currentStage(run)
      return stageRun && machineFeeds(stageRun.stage)
        ? { ok: true, state: { ...state, run: { ...run, tankMl: event.ml } } }
        : refuse('no-tank', 'No machine feeds this stage.')
    }
    case 'container-opened':
      return containerOpened(state, event)
    case 'trouble':
      return trouble(state, event)
    case 'way-changed': {
      const changed = wayChanged(state, event)
      return changed.ok && changed.state.run ? going(changed.state, changed.state.run) : changed
    }
    default: {
      const next = atPoint(state, event)
      return 'refusal' in next ? { ok: false, refusal: next.refusal } : going(next.state, next.state.run)
    }
  }
}

const timed = (run: RunState, timer: string, at: string): RunState => ({
  ...run,
  timers: { ...run.timers, [timer]: at },
})

/** The job with its run brought to the next stage that still has something to do. */
function going(state: JobState, run: RunState): Applied {
  let next = run
  while (true) {
    const stageRun = currentStage(next)
    const busy = next.call !== 'rest' || next.lookDue || next.mends.length > 0
    if (!stageRun || stageRun.stage.kind === 'prove' || busy) break
    if (currentStep({ run: next, planned: state.planned }) || currentPoint(next) !== undefined) break
    // Each stage has a bottle and timers of its own.
    next = { ...next, stageIndex: next.stageIndex + 1, timers: {}, bottleMl: 0 }
  }
  return { ok: true, state: next === state.run ? state : withRun(state, next) }
}

function stepDone(state: Running, event: EventOf<'step-done'>): Applied {
  const { run } = state
  const now = currentStep(state)
  const stageRun = currentStage(run)
  if (!stageRun || now?.step.id !== event.step)
    return refuse('step-not-now', 'That step is not the one to do now.')
  const { step, mend } = now
  if (step.asksMl && event.ml === undefined) return refuse('amount-missing', 'Write down how many mL.')
  const soon = tooSoon(step.holdS, event.heldS)
  if (soon) return refuse(soon.code, soon.text)
  const ml = event.ml ?? 0
  let next = run
  if (step.asksMl === 'drawn') next = drawn(state, step, ml)
  if (step.asksMl === 'poured') next = filled(state, step, ml)
  if (mend) {
    const stepsDone = [...mend.stepsDone, step.id]
    const left = stepsDone.length < mend.steps.length ? [{ ...mend, stepsDone }] : []
    return going(state, { ...next, mends: [...left, ...next.mends.slice(1)] })
  }
  const stages = next.stages.map((each, i) =>
    i === next.stageIndex ? { ...each, stepsDone: [...each.stepsDone, step.id] } : each,
  )
  return going(state, { ...next, stages })
}

type Amount = { fillsToMax?: true; drawsTo?: 'min' | 'empty'; reservoir?: string }

/** The reservoirs a step speaks of: its own, else all of them. */
const reservoirsOf = (state: Running, { reservoir }: Amount) =>
  partsOf(state.vehicle, 'reservoir').filter(({ id }) => reservoir === undefined || id === reservoir)

function drawn(state: Running, step: Amount, ml: number): RunState {
  const run = counted(state.run, { drawnMl: ml })
  const levelMl = { ...run.levelMl }
  for (const { id, minMl } of reservoirsOf(state, step)) levelMl[id] = step.drawsTo === 'empty' ? 0 : minMl
  return step.drawsTo ? { ...run, levelMl } : run
}

function filled(state: Running, step: Amount, ml: number): RunState {
  const reservoirs = reservoirsOf(state, step)
  const [only] = reservoirs
  if (!step.fillsToMax) return counted(state.run, { inMl: ml })
  if (only && reservoirs.length === 1) return poured(state.run, only.id, ml, only.maxMl)
  // One amount for several reservoirs says nothing of each: no gap is counted.
  const levelMl = Object.fromEntries(reservoirs.map(({ id, maxMl }) => [id, maxMl]))
  return counted({ ...state.run, levelMl: { ...state.run.levelMl, ...levelMl } }, { inMl: ml })
}

/** Topped up to MAX, or a level looked at: what the eye sees stands against what was counted. */
function levelSeen(state: Running, event: EventOf<'topped-up'> | EventOf<'level-read'>): Applied {
  const reservoir = partsOf(state.vehicle, 'reservoir').find(({ id }) => id === event.reservoir)
  if (!reservoir) return refuse('no-such-reservoir', 'This vehicle has no such reservoir.')
  const next =
    event.type === 'topped-up'
      ? poured(state.run, reservoir.id, event.ml, reservoir.maxMl)
      : poured(state.run, reservoir.id, 0, event.ml)
  return { ok: true, state: { ...state, run: next } }
}

/** A second batch is written down; what must not go in is refused before it is poured. */
function containerOpened(state: JobState, { container }: EventOf<'container-opened'>): Applied {
  const { alsoAllowed, spec: own } = state.vehicle.fluid
  const spec = state.planned?.plan.fluid.spec ?? own
  if (![spec, own, ...alsoAllowed].includes(container.spec)) {
    const mixes = mayMix(container.spec, spec) ? 'the maker does not allow it' : 'the two must never mix'
    return refuse(
      'wrong-container',
      `${spec} goes in here, and ${mixes}: put ${container.spec} back. If some was poured, say so under “Something went wrong”.`,
    )
  }
  return { ok: true, state: { ...state, containers: [...state.containers, container] } }
}

function trouble(state: Running, event: EventOf<'trouble'>): Applied {
  const outcome = happened(state, event.trouble, event.id)
  if ('refusal' in outcome) return { ok: false, refusal: outcome.refusal }
  const { text, startAgain, doubtful = [] } = outcome
  const before = finishedPoints(state.run)
  const report = {
    eventId: event.id,
    at: event.at,
    by: event.by,
    what: event.trouble.what,
    text,
    startAgain,
    doubtful,
    stillValid: before.filter((id) => !startAgain.includes(id) && !doubtful.includes(id)),
  }
  const next = { ...outcome.state, troubles: [...outcome.state.troubles, report] }
  // Whatever was being held or waited for is broken off.
  return next.run ? going(next, { ...next.run, timers: {} }) : { ok: true, state: next }
}
