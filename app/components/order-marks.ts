import { currentPoint, currentStage, openPoints } from '~core/job/points'
import { stagesNow } from '~core/job/selectors'
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
  const [now, open] = [currentPoint(run), openPoints(run)]
  const prove = stageRun?.stage.kind === 'prove'
  return planMarks({ stages: stagesNow(state) }).map((mark) => {
    if (open.includes(mark.id)) return { ...mark, state: 'open' }
    if (prove || stageRun?.at[mark.id]?.finished) return { ...mark, state: 'done' }
    return mark.id === now ? { ...mark, state: 'current' } : mark
  })
}
