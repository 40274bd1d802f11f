import type { Stage } from '../plan/answer'
import type { Step } from '../technique/step'
import type { Vehicle } from '../vehicle/schema'
import { bleederRunOf, currentPoint, currentStage } from './points'
import type { JobState, Mend, RunState } from './state'

/** The step to be done now: what went wrong first, then the stage's own before its first point and after its last. */
export function currentStep({
  run,
  planned,
}: Pick<JobState, 'planned'> & { run: RunState }): { step: Step; mend?: Mend } | undefined {
  // A call under way is brought to its end first: nobody leaves a joint open to do something else.
  if (run.call !== 'rest' || run.lookDue) return undefined
  const mend = run.mends[0]
  const mending = mend?.steps.find(({ id }) => !mend.stepsDone.includes(id))
  if (mend && mending) return { step: mending, mend }
  const stageRun = currentStage(run)
  if (!stageRun || !planned) return undefined
  const { before, after } = stageRun.stage
  const undone = ({ id }: Step) => !stageRun.stepsDone.includes(id)
  const first = before.find(undone)
  if (first) return { step: first }
  const last = currentPoint(run) === undefined ? after.find(undone) : undefined
  return last && { step: last }
}

/** What to do at one point before its first pull. */
export function pointPreparation(vehicle: Vehicle, stage: Stage, point: string): string[] {
  if (stage.kind === 'bench-bleed') return ['Reservoir half full, every hose end under fluid.']
  const placed = bleederRunOf(vehicle, point)
  if (!placed)
    return ['Line spanner on the nut, rag under it.', 'Face shield, or a rag over it: it is under pressure.']
  const spanner =
    placed.bleeder.wrenchMm === undefined
      ? 'Six-point spanner that fits'
      : `${placed.bleeder.wrenchMm} mm six-point spanner`
  return [`Cap off, bleeder clean. ${spanner}.`, 'Hose on, its end under fluid in the bottle.']
}

/** What to do at one point once it is done. */
export function pointClosing(vehicle: Vehicle, stage: Stage, point: string): string {
  if (stage.kind === 'bench-bleed') return 'No bubbles, firm push: plug the ports before it leaves the vice.'
  const bleeder = bleederRunOf(vehicle, point)?.bleeder
  const torque = bleeder?.torqueNm === undefined ? 'the maker’s torque' : `${bleeder.torqueNm} N·m`
  return bleeder ? `Tighten to ${torque}, hose off, cap on.` : `Nut tight to ${torque}, wiped dry.`
}
