import { machineFeeds } from '../points'
import type { Watcher } from './watch'

/** Below this a machine may draw air at its outlet. @source from memory */
const LEAST_ML = 150

/** The machine's tank will not last for this bleeder: an empty one blows air into the reservoir. */
export const tankLow: Watcher = ({ state, stageRun, point, progress, say }) => {
  const { tankMl } = state.run
  if (!machineFeeds(stageRun.stage) || tankMl === undefined) return undefined
  const wantsMl = Math.max(0, (stageRun.stage.mlByBleeder?.[point] ?? 0) - progress.ml)
  if (tankMl >= wantsMl + LEAST_ML) return undefined
  return {
    code: 'tank-low',
    says: `The machine’s tank is at ${say.volume(tankMl)}, ${point} still wants ${say.volume(wantsMl)}: close it, let the pressure off and fill the tank. An empty one blows air into the system.`,
    checks: ['Same fluid, sealed container. Pressure off before the tank is opened, as its maker says.'],
  }
}
