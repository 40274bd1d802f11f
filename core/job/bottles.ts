import { type Applied, refuse } from './applied'
import { withRun } from './copies'
import type { EventOf } from './events'
import { pourFirst } from './levels'
import { currentStage, pointWants } from './points'
import type { JobState, RunState } from './state'
import type { Running } from './troubles/trouble'

/** A bottle that runs at an open bleeder while another one is in hand. */
export type Hung = {
  point: string
  /** What stands in it, by its own marks. */
  bottleMl: number
}

/** Bottles that one person can watch. @source common practice */
export const MOST_BOTTLES = 4

/** Points where a bottle could be hung now, while another one runs. */
export function hangable({ run, vehicle }: Pick<JobState, 'run' | 'vehicle'>): string[] {
  const stageRun = run && currentStage(run)
  if (!run || stageRun?.stage.technique !== 'gravity' || run.call !== 'open' || run.mends.length > 0)
    return []
  const hung = run.hung ?? []
  if (hung.length + 1 >= MOST_BOTTLES) return []
  const running = new Set([run.callAt, ...hung.map(({ point }) => point)])
  const wants = (id: string) => !stageRun.at[id]?.finished && !pointWants(vehicle, stageRun, id).done
  return stageRun.points.filter((id) => !running.has(id) && wants(id))
}

/** Another bottle is hung and its bleeder opened, while the others run on: by gravity all may be open at once. */
export function bottleHung(state: Running, { point }: EventOf<'bottle-hung'>): Applied {
  const { run } = state
  const stageRun = currentStage(run)
  const [progress, inHand] = [stageRun?.at[point], run.callAt]
  if (!stageRun || !progress || inHand === undefined || !hangable(state).includes(point))
    return refuse(
      'no-bottle-here',
      `No bottle can be hung at ${point} now: at most ${MOST_BOTTLES} run, by gravity, and the first is opened by itself.`,
    )
  const pour = pourFirst(state)
  if (pour) return { ok: false, refusal: pour }
  const { trouble: _mended, ...sound } = progress
  const opened = { ...stageRun, at: { ...stageRun.at, [point]: { ...sound, ready: true } } }
  const next: RunState = {
    ...run,
    stages: run.stages.map((each, i) => (i === run.stageIndex ? opened : each)),
    hung: [...(run.hung ?? []), { point: inHand, bottleMl: run.bottleMl }],
    callAt: point,
    openedAt: undefined,
    bottleMl: 0,
  }
  return { ok: true, state: withRun(state, next) }
}

/** Go to another bottle that runs: the one in hand runs on. */
export function bottleWatched(state: Running, { point }: EventOf<'bottle-watched'>): Applied {
  const { run } = state
  const inHand = run.callAt
  if (run.call !== 'open' || inHand === undefined || !run.hung?.some((each) => each.point === point))
    return refuse('no-bottle-runs', `No bottle runs at ${point}, or the one in hand is to be closed first.`)
  const left = run.hung.map((each) =>
    each.point === point ? { point: inHand, bottleMl: run.bottleMl } : each,
  )
  const taken = run.hung.find((each) => each.point === point)
  return { ok: true, state: withRun(state, takenUp({ ...run, hung: left }, taken)) }
}

/** The bottle in hand was closed: the next one that still runs is in hand. */
export function nextBottle(run: RunState): RunState {
  const [first, ...others] = run.hung ?? []
  return first ? takenUp({ ...run, hung: others }, first) : run
}

/** Bottles share lines, so what one brings while others run is no measure of its own line: none of it is timed. */
const takenUp = (run: RunState, taken: Hung | undefined): RunState =>
  taken ? { ...run, call: 'open', callAt: taken.point, openedAt: undefined, bottleMl: taken.bottleMl } : run
