import { currentPoint, currentStage } from '~core/job/points'
import { stagesNow } from '~core/job/selectors'
import { allOpen } from '~core/job/standing'
import type { JobState } from '~core/job/state'
import type { Plan } from '~core/plan/answer'
import type { BleederMark } from './line-map/line-map'

/** Order numbers for the map, from the plan alone. */
export function planMarks(plan: Pick<Plan, 'stages'>): BleederMark[] {
  const order = [...new Set(plan.stages.flatMap((stage) => stage.order))]
  return order.map((id, i) => ({ id, label: String(i + 1), state: 'waiting' }))
}

/** The same while the work goes on: which one is now, open, done. */
export function runMarks(state: JobState): BleederMark[] {
  const { run } = state
  const stageRun = run && currentStage(run)
  if (!run) return []
  const [now, open] = [currentPoint(run), allOpen(state)]
  const prove = stageRun?.stage.kind === 'prove'
  const planned = planMarks({ stages: stagesNow(state) })
  // Left open under a plan that was given up, or at a port: shown though this plan opens it nowhere.
  const beside = open.filter((id) => !planned.some((mark) => mark.id === id))
  const all = [...planned, ...beside.map((id): BleederMark => ({ id, label: '!', state: 'open' }))]
  return all.map((mark) => {
    if (open.includes(mark.id)) return { ...mark, state: 'open' }
    if (prove || stageRun?.at[mark.id]?.finished) return { ...mark, state: 'done' }
    return mark.id === now ? { ...mark, state: 'current' } : mark
  })
}
