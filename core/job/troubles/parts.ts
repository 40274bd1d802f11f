import type { Step } from '../../technique/step'
import type { Vehicle } from '../../vehicle/schema'
import { currentStage, machineFeeds, pointName } from '../points'
import type { RunState, StageRunState } from '../state'

/** Shared by the troubles in this folder. */

export const atWheel = (id: string, text: string, detail?: string): Step => ({
  id,
  text,
  detail,
  who: 'wheel',
})

export const named = (vehicle: Vehicle, points: readonly string[]): string =>
  points.map((point) => pointName(vehicle, point)).join(', ')

/** Replace the stage under way. */
export const withStage = (run: RunState, change: (stageRun: StageRunState) => StageRunState): RunState => ({
  ...run,
  stages: run.stages.map((stageRun, i) => (i === run.stageIndex ? change(stageRun) : stageRun)),
})

/** Before a joint is opened the machine’s pressure is off; afterwards it is brought up again as before. */
export function pressureOff(run: RunState): { run: RunState; steps: Step[] } {
  const stageRun = currentStage(run)
  if (!stageRun || !machineFeeds(stageRun.stage) || !stageRun.stepsDone.includes('pressurise'))
    return { run, steps: [] }
  return {
    run: withStage(run, (each) => ({
      ...each,
      stepsDone: each.stepsDone.filter((step) => step !== 'pressurise'),
    })),
    steps: [atWheel('pressure-off', 'Let the machine’s pressure off, through its own valve.')],
  }
}
