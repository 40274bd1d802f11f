import { type Fact, fact } from '../base/decision'
import type { Running } from './events/kind'
import { bleederRunOf, callOf, currentStage } from './points'

/** Which finished places lie upstream of one where air was drawn in, and what that says. */
export function airReaches(state: Running, point: string, how: Fact) {
  const { vehicle } = state
  const stageRun = currentStage(state.run)
  const placed = bleederRunOf(vehicle, point)
  const passed = new Set([placed?.part.id, ...(placed?.run?.lines.map(({ from }) => from) ?? [])])
  const doubtful = (stageRun?.points ?? []).filter(
    (id) => id !== point && stageRun?.at[id]?.finished && passed.has(bleederRunOf(vehicle, id)?.part.id),
  )
  const upstream =
    doubtful.length > 0
      ? fact('air-upstream-doubtful', { doubtful })
      : fact(stageRun && callOf(stageRun.stage).withCab ? 'air-upstream-cylinder' : 'air-upstream-nothing')
  return { says: fact('air-drawn', { how, point, upstream }), doubtful }
}
