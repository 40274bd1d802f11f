import { techniqueOf } from '../technique'
import { withRun } from './copies'
import type { Running } from './events/kind'
import { currentStage, freshPoint, pointWants } from './points'
import type { JobState, RunState } from './state'

/** A bottle that runs at an open bleeder while another one is in hand. */
export type Hung = {
  point: string
  /** What stands in it, by its own marks. */
  bottleMl: number
  /** Since when it runs in this company, or since the last look at it in it; absent where nobody saw it since. */
  openedAt?: string
  /** From when on nobody counted what it passed. */
  since?: string
}

/** Bottles that may run at once by the way this stage goes. */
export function bottlesAtOnce({ run }: Pick<JobState, 'run'>): number {
  const technique = run && currentStage(run)?.stage.technique
  return technique === undefined ? 1 : (techniqueOf(technique).bottlesAtOnce ?? 1)
}

/** Points where a bottle could be hung now, while another one runs. */
export function hangable({ run, vehicle }: Pick<JobState, 'run' | 'vehicle'>): string[] {
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || run.call !== 'open' || run.callAt === undefined || run.mends.length > 0) return []
  const hung = run.hung ?? []
  if (hung.length + 1 >= bottlesAtOnce({ run })) return []
  const running = new Set([run.callAt, ...hung.map(({ point }) => point)])
  const wants = (id: string) => !stageRun.at[id]?.finished && !pointWants(vehicle, stageRun, id).done
  return stageRun.points.filter((id) => !running.has(id) && wants(id))
}

/** Another bottle is hung and its bleeder opened, while the others run on. */
export function hangBottle(state: Running, point: string, at: string): JobState {
  const { run } = state
  const stageRun = currentStage(run)
  const inHand = run.callAt
  if (!stageRun || inHand === undefined) return state
  const { trouble: _mended, ...sound } = stageRun.at[point] ?? freshPoint()
  const opened = { ...stageRun, at: { ...stageRun.at, [point]: { ...sound, ready: true } } }
  const next: RunState = {
    ...run,
    stages: run.stages.map((each, i) => (i === run.stageIndex ? opened : each)),
    hung: inNewCompany([...(run.hung ?? []), putDown(run, inHand)]),
    callAt: point,
    openedAt: at,
    bottleMl: 0,
  }
  return withRun(state, next)
}

/** Whether a bottle runs at a point, beside one that is in hand. */
export const mayWatch = (run: RunState, point: string): boolean =>
  run.call === 'open' && run.callAt !== undefined && (run.hung ?? []).some((each) => each.point === point)

/** Go to another bottle that runs: the one in hand runs on. */
export function watchBottle(state: Running, point: string): JobState {
  const { run } = state
  const inHand = run.callAt
  const wanted = run.hung?.find((each) => each.point === point)
  if (inHand === undefined || !wanted) return state
  const left = (run.hung ?? []).map((each) => (each === wanted ? putDown(run, inHand) : each))
  return withRun(state, takeUp({ ...run, hung: left }, wanted))
}

/** The bottle in hand was closed: the next one that still runs is in hand. */
export function nextBottle(run: RunState): RunState {
  const [first, ...others] = run.hung ?? []
  return first ? takeUp({ ...run, hung: inNewCompany(others) }, { ...first, openedAt: undefined }) : run
}

const putDown = ({ bottleMl, openedAt }: RunState, point: string): Hung => ({
  point,
  bottleMl,
  ...(openedAt !== undefined && { openedAt, since: openedAt }),
})

/** Bottles that share a line pass each other less: what they bring is timed anew where another joins or leaves. */
const inNewCompany = (hung: readonly Hung[]): Hung[] => hung.map(({ openedAt: _timed, ...each }) => each)

const takeUp = (run: RunState, { point, bottleMl, openedAt }: Hung): RunState => ({
  ...run,
  call: 'open',
  callAt: point,
  openedAt,
  bottleMl,
})
