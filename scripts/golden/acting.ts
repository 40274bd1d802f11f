import { Chance } from '~core/base/random'
import { judgeFluid } from '~core/fluid/judge'
import { limitsFor, usualPolicy } from '~core/fluid/policy/policy'
import { pointsOnPaper } from '~core/job/selectors'
import { jobTally, wasteMl } from '~core/job/tally'
import { workSchema } from '~core/plan/request'
import type { TechniqueId } from '~core/technique/technique'
import { examples } from '~core/vehicle/examples'
import type { Vehicle } from '~core/vehicle/schema'
import { randomAct } from '~test/worlds/random-acts'
import { type Act, osk, ScriptedJob, una } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'

export const vehicle = (name: string): Vehicle => vehicleFrom(examples[name]?.file)

export const at = (name: string, work: object, methods: string[], levelMl?: number) =>
  ScriptedJob.planned(vehicle(name), work, methods, levelMl)
export const by = (name: string, method: string, technique: TechniqueId, work: object = {}) =>
  at(name, { reason: 'service', ways: [{ technique, why: 'as asked' }], ...work }, [method])

export function file(
  job: ScriptedJob,
  outcome: 'fit' | 'not-fit' | 'declined' | 'kept',
  note = '',
): ScriptedJob {
  return job.do({
    type: 'filed',
    outcome,
    doneBy: job.by.name,
    ...(outcome === 'fit' && { checkedBy: job.by === osk ? una : osk }),
    note,
    wasteMl: Math.round(wasteMl(jobTally(job.state))),
    nextDue: '2028-05-04',
  })
}
export const wholeJob = (job: ScriptedJob) => file(job.bledToTheEnd().proved(), 'fit')
export const atStage = (job: ScriptedJob, kind: string) =>
  job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === kind)
export const ready = (job: ScriptedJob, nth = 1) =>
  atStage(job, 'bleed').until(({ run }) => {
    const stage = run.stages[run.stageIndex]
    const point = stage?.points[nth]
    return point !== undefined && stage?.at[point]?.ready === true
  })
export const pointNow = ({ run }: ScriptedJob) =>
  run.stages[run.stageIndex]?.points.find((id) => !run.stages[run.stageIndex]?.at[id]?.finished) ?? ''
export const parked = (standsOpen: string[] = [], more: object = {}): Act => ({
  type: 'parked',
  why: 'the other van is wanted',
  standsOpen,
  machineOn: false,
  pedalPropped: false,
  note: '',
  ...more,
})
export const resumed = (more: object = {}): Act => ({
  type: 'resumed',
  asLeft: true,
  pedalCameUp: false,
  found: '',
  ...more,
})

/** Anything might be sent to it: what is taken stays in the log. */
export function byChance(job: ScriptedJob, seed: number, acts: number): ScriptedJob {
  const chance = new Chance(seed)
  for (let n = 0; n < acts; n++) {
    const act = randomAct(job.state, chance)
    if (act.type !== 'vehicle-moved' && job.refusal(act) === undefined) job.do(act)
  }
  return job
}

/** By the card: everything that is still to be done, entered at the desk. */
export function fromPaper(job: ScriptedJob): ScriptedJob {
  const points = pointsOnPaper(job.state).map(({ stage, point }) => ({
    stage,
    point,
    ml: 180,
    pulls: 9,
    colour: 'new' as const,
    bubbles: 'none' as const,
  }))
  return job.do({
    type: 'paper-entered',
    doneOn: '2026-05-04',
    doneBy: 'Osk Teller',
    points,
    inMl: 820,
    drawnMl: 160,
    spilledMl: 10,
    container: { spec: job.state.vehicle.fluid.spec, batch: 'B-7714', sizeMl: 1000, openedOn: '2026-05-04' },
    note: 'no signal in the far bay',
  })
}

export function tested(name: string): ScriptedJob {
  const of = vehicle(name)
  const job = new ScriptedJob()
  job.do({ type: 'job-opened', vehicleId: 'v', plate: 'ISL 9', vehicle: of, comebackOf: 'an-earlier-job' })
  job.do({
    type: 'checked-in',
    checkIn: {
      work: workSchema.parse({ reason: 'service', padWearMm: {} }),
      bay: 'Far bay',
      odometerKm: 48_200,
      typed: { odometer: '29950 mi' },
      colour: 'brown',
      note: 'smells burnt',
    },
  })
  const readings = [
    { tester: 'percent-meter', value: 3.4, at: 'reservoir' },
    { tester: 'boiling-sampler', value: 151, at: 'caliper' },
  ] as const
  const limits = limitsFor(usualPolicy, { spec: of.fluid.spec, kind: of.kind, hardUse: [] })
  return job.do({
    type: 'tested',
    tester: 'percent-meter',
    reading: { kind: 'water-pct', value: 3.4, at: 'reservoir' },
    readings: [...readings],
    product: { name: 'Sound 4', dryC: 262, wetC: 166 },
    heightM: 120,
    judged: judgeFluid({ spec: of.fluid.spec, kind: of.kind, readings, heightM: 120 }, limits),
  })
}

/** Collected on a transporter with a bleeder open and the machine on. */
export function collectedOpen(): ScriptedJob {
  const job = ready(by('doctors-runabout', 'pressure', 'pressure')).until(({ run }) => run.call === 'open')
  const left = parked([pointNow(job)], { machineOn: true, note: 'on the transporter' })
  return file(job.do(left), 'not-fit', 'collected')
}
