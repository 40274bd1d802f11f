import { allBleeders } from '../../vehicle/parts'
import type { JobState } from '../state'

/** Whether a job's bleed passes every bleeder of its vehicle: then all of the fluid is new after it. */
export function bleedsAll({ run, vehicle }: Pick<JobState, 'run' | 'vehicle'>): boolean {
  const worked = new Set(run?.stages.flatMap(({ stage }) => (stage.kind === 'bleed' ? stage.order : [])))
  const all = allBleeders(vehicle)
  return all.length > 0 && all.every(({ bleeder }) => worked.has(bleeder.id))
}
