import { z } from 'zod'
import { fact } from '../../base/decision'
import { bubbleKinds, colours } from '../../fluid/specs/colour'
import { freshPoint, lookOwed, pointWants } from '../points'
import { looksNew, mayGoIn, pointsOnPaper } from '../selectors'
import { afterStep } from '../standing'
import type { JobState, StageRunState } from '../state'
import { addTally } from '../tally'
import { containerSchema } from './container'
import { type EventKind, onRun, type Running } from './kind'
import { ml, note, short, stamp } from './stamp'

export const paperEnteredSchema = z.object({
  ...stamp,
  type: z.literal('paper-entered'),
  /** When and by whom the bleed was done with the bay card in hand. */
  doneOn: z.iso.date('give a date'),
  doneBy: short.min(1, 'say who did it'),
  points: z
    .array(
      z.object({
        stage: z.int().min(0).max(50),
        point: short,
        ml,
        pulls: z.int('give a whole number').min(0, 'give 0 or more').max(999, 'give at most 999'),
        colour: z.enum(colours),
        bubbles: z.enum(bubbleKinds),
      }),
    )
    .max(400),
  inMl: ml,
  drawnMl: ml,
  spilledMl: ml,
  /** What it was poured from. */
  container: containerSchema.optional(),
  note,
})
type Paper = z.output<typeof paperEnteredSchema>

/** What is read off a bottle and written on a card is rounded by so much. @source from memory */
const ROUNDED_SHARE = 0.05

const lineKey = (stage: number, point: string) => `${stage} ${point}`

function refuse(state: JobState, paper: Paper) {
  const { run } = state
  if (!run) return fact('paper-no-plan')
  if (run.call !== 'rest' || lookOwed(run) || run.mends.length > 0) return fact('paper-under-way')
  const [open] = state.standing.open
  if (open) return fact('stands-open', { point: open.point })
  const lines = new Map(paper.points.map((line) => [lineKey(line.stage, line.point), line]))
  const owed = pointsOnPaper(state)
  if (owed.length === 0) return fact('paper-entered-once')
  if (paper.container && !mayGoIn(state).includes(paper.container.spec))
    return fact('paper-wrong-fluid', { spec: paper.container.spec })
  for (const { stage, point } of owed) {
    const line = lines.get(lineKey(stage, point))
    if (!line) return fact('paper-incomplete', { point })
    const stageRun = run.stages[stage]
    const wants = stageRun && pointWants(state.vehicle, stageRun, point)
    const leastMl = (1 - ROUNDED_SHARE) * (wants?.wantsMl ?? 0)
    if (!(line.ml > 0) || line.ml < leastMl || line.pulls < (wants?.wantsClean ?? 0))
      return fact('paper-too-little', {
        point,
        leastMl: Math.max(1, Math.ceil(leastMl)),
        clean: wants?.wantsClean ?? 0,
      })
    if (line.bubbles !== 'none' || !looksNew(state, line.colour)) return fact('paper-not-clean', { point })
  }
  return undefined
}

function apply(state: Running, paper: Paper): JobState {
  const { run } = state
  const lines = new Map(paper.points.map((line) => [lineKey(line.stage, line.point), line]))
  const stages = run.stages.map((stageRun, i) =>
    stageRun.stage.kind === 'prove' ? stageRun : finish(stageRun, i),
  )
  function finish(stageRun: StageRunState, i: number): StageRunState {
    const { stage, points } = stageRun
    const at = { ...stageRun.at }
    let outMl = 0
    for (const id of points) {
      const line = lines.get(lineKey(i, id))
      if (!line || at[id]?.finished) continue
      outMl += line.ml
      at[id] = {
        ...freshPoint(),
        ready: true,
        finished: true,
        pulls: line.pulls,
        counted: line.pulls,
        ml: line.ml,
        cleanStreak: line.pulls,
        colour: line.colour,
        bubbles: line.bubbles,
        settled: true,
      }
    }
    const stepsDone = [...stage.before, ...stage.after].map(({ id }) => id)
    return { ...stageRun, at, stepsDone, tally: addTally(stageRun.tally, { outMl }) }
  }
  // What was poured, drawn and spilled is one sum on the card: it is counted where the work stood.
  const first = stages[run.stageIndex]
  if (first) {
    const { inMl, drawnMl, spilledMl } = paper
    stages[run.stageIndex] = { ...first, tally: addTally(first.tally, { inMl, drawnMl, spilledMl }) }
  }
  const standing = run.stages
    .slice(run.stageIndex)
    .flatMap(({ stage, stepsDone }) =>
      [...stage.before, ...stage.after].filter(({ id }) => !stepsDone.includes(id)),
    )
    .reduce(afterStep, state.standing)
  const prove = stages.findIndex(({ stage }) => stage.kind === 'prove')
  return {
    ...state,
    fromPaper: paper,
    standing,
    containers: paper.container ? [...state.containers, paper.container] : state.containers,
    run: {
      ...run,
      plateConfirmed: true,
      stages,
      stageIndex: prove < 0 ? run.stageIndex : prove,
      timers: {},
      bottleMl: 0,
      // The card says nothing of where the levels stand now.
      levelMl: {},
    },
  }
}

/**
 * A bleed that was done with the bay card in hand, entered afterwards: everything that was still to do is done as the
 * card says, and the job goes on at the proof. A place that was not clean when the card was put down is not done: the
 * bay goes on there.
 */
export const paperEntered: EventKind<Paper> = {
  type: 'paper-entered',
  schema: paperEnteredSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  refuse,
  apply: onRun(apply),
}
