import { currentPoint, currentStage, openPoints } from '~core/job/points'
import type { JobState } from '~core/job/state'
import type { Plan } from '~core/plan/answer'
import type { BleederMark } from './line-map/line-map'

/** Order numbers for the map, from the plan alone. */
export function planMarks(plan: Plan): BleederMark[] {
  const order = [...new Set(plan.stages.flatMap((stage) => stage.order))]
  return order.map((id, i) => ({ id, label: String(i + 1), state: 'waiting' }))
}

/** The same while the work goes on: which one is now, open, done. */
export function runMarks({ run, planned }: JobState): BleederMark[] {
  const stageRun = run && currentStage(run)
  if (!run || !planned) return []
  const [now, open] = [currentPoint(run), openPoints(run)]
  const prove = stageRun?.stage.kind === 'prove'
  return planMarks(planned.plan).map((mark) => {
    if (open.includes(mark.id)) return { ...mark, state: 'open' }
    if (prove || stageRun?.at[mark.id]?.finished) return { ...mark, state: 'done' }
    return mark.id === now ? { ...mark, state: 'current' } : mark
  })
}
