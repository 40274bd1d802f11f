import { carefulAct } from '~core/job/careful'
import type { JobEvent } from '~core/job/events'
import { currentStep } from '~core/job/steps'
import { examples } from '~core/vehicle/examples'
import type { Database } from '~server/db/database.server'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { addEvents } from './bay-phases'
import { openJobOn } from './own-van'

/** Units whose routine is led through several places, each shown on its own vehicle. */
const routines = [
  { name: 'By wire', vehicle: 'hybrid-taxi', plate: 'TAX 5', work: { reason: 'service' } },
  { name: 'Wheel by wheel', vehicle: 'electric-post-van', plate: 'ELP 2', work: { reason: 'soft-pedal' } },
] as const

/** What the bay shows now, apart from which of several bleeders it is at. */
function phaseOf({ state, run }: ScriptedJob): string | undefined {
  const stageRun = run.stages[run.stageIndex]
  if (!stageRun) return undefined
  const step = currentStep({ run, standing: state.standing })?.step
  if (step) return `${run.stageIndex} ${step.id}`
  const next = carefulAct(state)?.type
  // Each wheel after the first goes like the first, and a call is called the same in every pull.
  return `${stageRun.stage.technique} ${next} ${run.call}`
}

/** One job for each phase of each routine, from the tool that is plugged in to the last calibration. */
export async function addRoutinePhases(db: Database, at: Date): Promise<{ name: string; jobId: string }[]> {
  const made: { name: string; jobId: string }[] = []
  for (const { name, vehicle, plate, work } of routines) {
    const file = examples[vehicle]?.file
    const methods = ['two-person', 'control-unit']
    const logs = phasesOf(ScriptedJob.planned(vehicleFrom(structuredClone(file)), work, methods))
    for (const [i, events] of logs.entries()) {
      const { jobId } = await openJobOn(db, file, plate, at)
      const named = { name: `${name}, ${i + 1} of ${logs.length}`, jobId }
      await addEvents(db, named, events, at)
      made.push(named)
    }
  }
  return made
}

/** The log up to each phase that was not seen before, while a unit's routine is run. */
function phasesOf(job: ScriptedJob): JobEvent[][] {
  const isUnits = ({ stage }: { stage: { kind: string } }) => stage.kind === 'control-unit'
  const first = job.run.stages.findIndex(isUnits)
  const last = job.run.stages.findLastIndex(isUnits)
  job.until(({ run }) => run.stageIndex === first)
  const seen = new Set<string>()
  const logs: JobEvent[][] = []
  while (job.run.stageIndex <= last) {
    const phase = phaseOf(job)
    if (phase !== undefined && !seen.has(phase)) {
      seen.add(phase)
      logs.push([...job.events])
    }
    const act = carefulAct(job.state)
    if (!act) break
    job.do(act)
  }
  return logs
}
