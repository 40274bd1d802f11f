import { type Applied, refuse } from './applied'
import type { EventOf } from './events'
import { cleanPullsWanted, freshPoint } from './points'
import type { JobState, StageRunState } from './state'
import { addTally } from './tally'

type Paper = EventOf<'paper-entered'>

/** Places of this job that are still to be done, by stage: what the card has a line for. */
export function pointsOnPaper({ run }: Pick<JobState, 'run'>): { stage: number; point: string }[] {
  return (run?.stages ?? []).flatMap(({ points, at, stage }, i) =>
    stage.kind === 'prove'
      ? []
      : points.filter((id) => !at[id]?.finished).map((point) => ({ stage: i, point })),
  )
}

/**
 * A bleed that was done with the bay card in hand, entered afterwards: everything that was still to do is done as the
 * card says, and the job goes on at the proof. A place that was not clean when the card was put down is not done: the
 * bay goes on there.
 */
export function enteredFromPaper(state: JobState, paper: Paper): Applied {
  const { run, vehicle } = state
  if (!run) return refuse('no-plan', 'Take a plan first: the card is of a plan.')
  if (run.call !== 'rest' || run.lookDue || run.mends.length > 0)
    return refuse('call-under-way', 'Something is under way in the bay: bring it to its end there first.')
  const wanted = pointsOnPaper(state)
  const lines = new Map(paper.points.map((line) => [`${line.stage} ${line.point}`, line]))
  for (const { stage, point } of wanted) {
    const line = lines.get(`${stage} ${point}`)
    if (!line) return refuse('paper-incomplete', `The card says nothing of ${point}: go on there in the bay.`)
    if (line.bubbles !== 'none' || !['new', 'amber'].includes(line.colour))
      return refuse('paper-not-clean', `${point} was not clean when it was left: go on there in the bay.`)
  }
  const stages = run.stages.map((stageRun, i) =>
    stageRun.stage.kind === 'prove' ? stageRun : done(stageRun, i),
  )
  function done(stageRun: StageRunState, i: number): StageRunState {
    const { stage, points } = stageRun
    const at = { ...stageRun.at }
    let outMl = 0
    for (const id of points) {
      const line = lines.get(`${i} ${id}`)
      if (!line || at[id]?.finished) continue
      outMl += line.ml
      at[id] = {
        ...freshPoint(),
        ready: true,
        finished: true,
        pulls: line.pulls,
        counted: line.pulls,
        ml: line.ml,
        cleanStreak: cleanPullsWanted(vehicle, stage),
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
  const prove = stages.findIndex(({ stage }) => stage.kind === 'prove')
  return {
    ok: true,
    state: {
      ...state,
      fromPaper: paper,
      containers: paper.container ? [...state.containers, paper.container] : state.containers,
      run: { ...run, plateConfirmed: true, stages, stageIndex: prove, timers: {}, bottleMl: 0 },
    },
  }
}
