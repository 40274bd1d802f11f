import type { Fact } from '../base/decision'
import type { StageKind } from '../plan/answer'
import type { Step } from './apply'
import { eventFact } from './event-fact'
import { eventKindOf, type JobEvent } from './events'
import { currentPoint, currentStage, pointOf } from './points'
import { bleedDone } from './selectors'

/** One act of a job as a foreman reads it. */
export type Entry = {
  /** Its number in the log, from 1. */
  no: number
  event: JobEvent
  says: Fact
  atServer: string
  /** It was taken back later. */
  undone: boolean
  wentWrong: boolean
}

/** Where in a job something was done. */
export type Where =
  | { at: 'desk' | 'proof' | 'filed' }
  | { at: 'stage'; stage: number; kind: StageKind }
  | { at: 'place'; stage: number; kind: StageKind; point: string }

/** What was done one after the other at one place, to be folded away as one. */
export type Chapter = Where & {
  entries: Entry[]
  /** What had left the place when this chapter ended, mL; only at a place. */
  ml?: number
  /** It was finished by then. */
  finished?: true
}

/** Where a job stood when something was done. */
function whereIs({ event, before: state, after }: Step): Where {
  if (after.filed) return { at: 'filed' }
  if (!state?.run || eventKindOf(event.type)?.madeAt === 'desk') return { at: 'desk' }
  if (bleedDone(state)) return { at: 'proof' }
  const { run } = state
  const stage = run.stageIndex
  const kind = currentStage(run)?.stage.kind
  if (kind === undefined || kind === 'prove') return { at: 'proof' }
  const named = 'point' in event && typeof event.point === 'string' ? event.point : undefined
  const point = event.type === 'step-done' ? undefined : (named ?? run.callAt ?? currentPoint(run))
  return point === undefined ? { at: 'stage', stage, kind } : { at: 'place', stage, kind, point }
}

const same = (a: Where, b: Where): boolean =>
  a.at === b.at &&
  ('stage' in a ? a.stage : -1) === ('stage' in b ? b.stage : -1) &&
  ('point' in a ? a.point : '') === ('point' in b ? b.point : '')

/**
 * A log in chapters: what was done at the desk, in each stage, at each place, at the proof, once it was filed.
 *
 * @param log every event as it reads today with the states around it, and when the server had it
 */
export function chaptersOf(log: readonly (Step & { atServer: string })[]): Chapter[] {
  const undone = new Set(log.flatMap(({ event }) => (event.type === 'undone' ? [event.event] : [])))
  const chapters: Chapter[] = []
  for (const [i, step] of log.entries()) {
    const { event, after, atServer } = step
    const kind = eventKindOf(event.type)
    const last = chapters.at(-1)
    const where = last && kind?.aside && !after.filed ? last : whereIs(step)
    const chapter: Chapter = last && same(last, where) ? last : { ...where, entries: [] }
    if (chapter !== last) chapters.push(chapter)
    chapter.entries.push({
      no: i + 1,
      event,
      says: eventFact(event, step.before),
      atServer,
      undone: undone.has(event.id),
      wentWrong: kind?.wentWrong?.(event) === true,
    })
    if (chapter.at !== 'place') continue
    const stageRun = after.run?.stages[chapter.stage]
    const point = stageRun && pointOf(stageRun, chapter.point)
    if (!point) continue
    chapter.ml = point.ml
    if (point.finished) chapter.finished = true
    else delete chapter.finished
  }
  return chapters
}
