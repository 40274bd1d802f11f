import { z } from 'zod'
import { factSchema, reasonSchema } from '../base/fact-schema'
import { fluidSpecs } from '../fluid/specs'
import { setupSchema, stageSchema } from '../plan/answer'
import { stageTraits } from '../plan/stage-kinds'
import { callStates } from '../technique/calls'
import { sameStep, stepSchema } from '../technique/step'
import { techniqueIdSchema } from '../technique/technique'
import { doubt, insertStage, mendFirst, startAgain, startStage, undoStep } from './change'
import { isRunning, type Running } from './events/kind'
import { proofsVoid, withTurned } from './joints'
import { countMoved, pourInto } from './levels'
import { pointOf } from './points'
import { withBroken } from './standing'
import type { JobState, RunState, StageRunState } from './state'
import { jobTally } from './tally'

const id = z.string().max(200)
const ids = z.array(id).max(400)

/**
 * What something that went wrong, or another way, makes of a job: worked out once, when it happens, and stored with the
 * event. Each is one small thing done to the run; together they are all that a replay does.
 */
export const changeSchema = z.discriminatedUnion('op', [
  /** Places that are bled anew, from nothing. */
  z.object({ op: z.literal('start-again'), points: ids }),
  /** Finished places that air may have reached: clean pulls are wanted again. */
  z.object({ op: z.literal('doubt'), points: ids }),
  /** Steps before everything else. */
  z.object({ op: z.literal('mend'), steps: z.array(stepSchema).max(40) }),
  /** A stage put in before the one under way. */
  z.object({ op: z.literal('insert-stage'), stage: stageSchema }),
  /** A stage put in before the proof. */
  z.object({ op: z.literal('before-proof'), stage: stageSchema }),
  /** What keeps a place from being bled. */
  z.object({ op: z.literal('mark'), point: id, trouble: z.enum(['seized', 'snapped', 'stripped']) }),
  /** The places of the stage under way in another order. */
  z.object({ op: z.literal('reorder'), points: ids }),
  z.object({ op: z.literal('call'), to: z.enum(callStates) }),
  /** A step of the stage under way is to be done again. */
  z.object({ op: z.literal('step-undone'), step: id }),
  z.object({ op: z.literal('level'), reservoir: id, ml: z.number() }),
  /** The same, with what is gone meanwhile counted as unaccounted for. */
  z.object({ op: z.literal('level-lost'), reservoir: id, ml: z.number() }),
  z.object({ op: z.literal('spilled'), ml: z.number() }),
  z.object({ op: z.literal('extra-check'), check: id }),
  /** Ends of lines that were turned: tight and dry are to be seen anew. */
  z.object({ op: z.literal('joints-turned'), joints: ids }),
  /** What was proved counts no more. */
  z.object({ op: z.literal('proofs-void') }),
  /** The plan is at an end; the job is planned anew as a conversion. */
  z.object({
    op: z.literal('conversion'),
    fluidFound: z.enum([...fluidSpecs, 'unknown']),
    why: factSchema,
  }),
  /** From the stage under way on, stages that went one way go on by another. */
  z.object({
    op: z.literal('other-way'),
    from: techniqueIdSchema,
    stage: stageSchema,
    /** As each of the stages after it goes, in order; in the first version all went as that one does. */
    later: z.array(stageSchema).max(40).optional(),
  }),
  /** Settings, cautions and reasons as they hold from here. */
  z.object({ op: z.literal('setup'), setup: setupSchema }),
  z.object({ op: z.literal('reasons'), reasons: z.array(reasonSchema).max(40) }),
])
export type Change = z.output<typeof changeSchema>

/** The job after each of these. @param eventId of what made them, so that what it adds can be told apart */
export function applyChanges(state: Running, changes: readonly Change[], eventId: string): JobState {
  let job: JobState = state
  for (const change of changes) if (isRunning(job)) job = applyChange(job, change, eventId)
  return job
}

function applyChange(state: Running, change: Change, eventId: string): JobState {
  const { run } = state
  const on = (next: RunState): JobState => ({ ...state, run: next })
  switch (change.op) {
    case 'start-again':
      return on(startAgain(run, change.points))
    case 'doubt':
      return on(doubt(run, change.points))
    case 'mend':
      return on(mendFirst(run, eventId, change.steps))
    case 'insert-stage':
      return on(insertStage(run, run.stageIndex, startStage(change.stage)))
    case 'before-proof': {
      const prove = run.stages.findIndex(({ stage }, i) => i >= run.stageIndex && stage.kind === 'prove')
      return prove < 0 ? state : on(insertStage(run, prove, startStage(change.stage)))
    }
    case 'mark': {
      const marked = on(
        inStage(run, (stageRun) => {
          const progress = pointOf(stageRun, change.point)
          if (!progress) return stageRun
          const here = { ...progress, ready: false, trouble: change.trouble }
          return { ...stageRun, at: { ...stageRun.at, [change.point]: here } }
        }),
      )
      return change.trouble === 'seized'
        ? marked
        : { ...marked, standing: withBroken(state.standing, change.point) }
    }
    case 'reorder':
      return on(inStage(run, (stageRun) => ({ ...stageRun, points: change.points })))
    case 'call':
      return on({ ...run, call: change.to })
    case 'step-undone': {
      // Done anew, it is timed anew.
      const { [change.step]: _clock, ...timers } = run.timers
      return on({ ...inStage(run, (stageRun) => undoStep(stageRun, change.step)), timers })
    }
    case 'level':
      return on({ ...run, levelMl: { ...run.levelMl, [change.reservoir]: change.ml } })
    case 'level-lost':
      return on(pourInto(run, change.reservoir, 0, change.ml))
    case 'spilled':
      return on(countMoved(run, { spilledMl: change.ml }))
    case 'extra-check':
      return state.extraChecks.includes(change.check)
        ? state
        : { ...state, extraChecks: [...state.extraChecks, change.check] }
    case 'joints-turned':
      return withTurned(state, change.joints)
    case 'proofs-void':
      return { ...state, ...proofsVoid(state) }
    case 'conversion':
      return convert(state, change)
    case 'other-way': {
      const rounds = [change.stage, ...(change.later ?? [])]
      let round = 0
      const stages = run.stages.map((each, i) => {
        if (i < run.stageIndex || !goesBy(each, change.stage.kind, change.from)) return each
        // The last one given serves all that follow it.
        return goOnBy(each, rounds[round++] ?? rounds.at(-1) ?? change.stage)
      })
      return on({ ...run, timers: {}, stages })
    }
    case 'setup':
      return on({ ...run, setup: change.setup })
    case 'reasons': {
      const known = new Set(run.setup.reasons.map(({ code }) => code))
      const reasons = [...run.setup.reasons, ...change.reasons.filter(({ code }) => !known.has(code))]
      return on({ ...run, setup: { ...run.setup, reasons } })
    }
  }
}

/** The run with the stage under way changed. */
const inStage = (run: RunState, change: (stageRun: StageRunState) => StageRunState): RunState => ({
  ...run,
  stages: run.stages.map((stageRun, i) => (i === run.stageIndex ? change(stageRun) : stageRun)),
})

/** Whether a cylinder still holds air that was to come out at its ports: the next plan has to know. */
const owesPorts = ({ stages }: RunState): boolean =>
  stages.some(
    ({ stage, points, at }) =>
      stageTraits[stage.kind].worksAt === 'ports' && points.some((id) => !at[id]?.finished),
  )

function convert(state: Running, { fluidFound, why }: Extract<Change, { op: 'conversion' }>): JobState {
  if (!state.checkIn) return state
  const { work: before } = state.checkIn
  const ranDry = before.ranDry || owesPorts(state.run)
  const work = { ...before, reason: 'conversion' as const, fluidFound, ranDry }
  const left = {
    why,
    plate: state.plate,
    at: state.lastAt,
    tally: jobTally({ run: state.run, earlier: [] }),
  }
  return {
    ...state,
    checkIn: { ...state.checkIn, work },
    planned: undefined,
    run: undefined,
    ...proofsVoid(state),
    earlier: [...state.earlier, left],
  }
}

/** Whether a stage is of this kind of work and goes this way. */
export const goesBy = (
  { stage }: StageRunState,
  kind: StageRunState['stage']['kind'],
  technique: StageRunState['stage']['technique'],
): boolean => stage.kind === kind && stage.technique === technique

/** A stage by the new way: its amounts, order and places stay; steps that both ways share and were done are done. */
function goOnBy(stageRun: StageRunState, by: StageRunState['stage']): StageRunState {
  const { method, technique, before, after, minutes, fluidMinutes, handlingMinutes } = by
  const shared = (id: string) =>
    before.some((step) => step.id === id && stageRun.stage.before.some((old) => sameStep(old, step)))
  return {
    ...stageRun,
    stage: { ...stageRun.stage, method, technique, before, after, minutes, fluidMinutes, handlingMinutes },
    stepsDone: stageRun.stepsDone.filter(shared),
    at: Object.fromEntries(
      Object.entries(stageRun.at).map(([id, point]) => [
        id,
        point.finished ? point : { ...point, ready: false },
      ]),
    ),
  }
}
