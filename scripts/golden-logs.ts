import { mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { Chance } from '~core/base/random'
import { judgeFluid } from '~core/fluid/judge'
import { limitsFor, usualPolicy } from '~core/fluid/policy/policy'
import { checksFor } from '~core/job/proofs/checks'
import { pointsOnPaper } from '~core/job/selectors'
import { jobTally, wasteMl } from '~core/job/tally'
import { workSchema } from '~core/plan/request'
import type { TechniqueId } from '~core/technique/technique'
import { examples } from '~core/vehicle/examples'
import type { Vehicle } from '~core/vehicle/schema'
import { factsOf } from '~test/golden/facts'
import { randomAct } from '~test/worlds/random-acts'
import { type Act, osk, ScriptedJob, una } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'

/**
 * Logs of jobs as this version of the program writes them, kept so that every later version is shown to open them.
 * Written once for each version of the events, into a folder that is empty: what was released is never written anew.
 */
const [folder] = process.argv.slice(2)
if (!folder) throw new Error('say where the logs go')
mkdirSync(folder, { recursive: true })
if (readdirSync(folder).length > 0)
  throw new Error(`${folder} holds logs already: they are never written anew`)

const vehicle = (name: string): Vehicle => vehicleFrom(examples[name]?.file)

const at = (name: string, work: object, methods: string[], levelMl?: number) =>
  ScriptedJob.planned(vehicle(name), work, methods, levelMl)
const by = (name: string, method: string, technique: TechniqueId, work: object = {}) =>
  at(name, { reason: 'service', ways: [{ technique, why: 'as asked' }], ...work }, [method])

function file(job: ScriptedJob, outcome: 'fit' | 'not-fit' | 'declined' | 'kept', note = ''): ScriptedJob {
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
const wholeJob = (job: ScriptedJob) => file(job.bledToTheEnd().proved(), 'fit')
const atStage = (job: ScriptedJob, kind: string) =>
  job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === kind)
const ready = (job: ScriptedJob, nth = 1) =>
  atStage(job, 'bleed').until(({ run }) => {
    const stage = run.stages[run.stageIndex]
    const point = stage?.points[nth]
    return point !== undefined && stage?.at[point]?.ready === true
  })
const pointNow = ({ run }: ScriptedJob) =>
  run.stages[run.stageIndex]?.points.find((id) => !run.stages[run.stageIndex]?.at[id]?.finished) ?? ''
const parked = (standsOpen: string[] = [], more: object = {}): Act => ({
  type: 'parked',
  why: 'the other van is wanted',
  standsOpen,
  machineOn: false,
  pedalPropped: false,
  note: '',
  ...more,
})
const resumed = (more: object = {}): Act => ({
  type: 'resumed',
  asLeft: true,
  pedalCameUp: false,
  found: '',
  ...more,
})

/** Anything might be sent to it: what is taken stays in the log. */
function byChance(job: ScriptedJob, seed: number, acts: number): ScriptedJob {
  const chance = new Chance(seed)
  for (let n = 0; n < acts; n++) {
    const act = randomAct(job.state, chance)
    if (act.type !== 'vehicle-moved' && job.refusal(act) === undefined) job.do(act)
  }
  return job
}

/** By the card: everything that is still to be done, entered at the desk. */
function fromPaper(job: ScriptedJob): ScriptedJob {
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

function tested(name: string): ScriptedJob {
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

const pedal = ['two-person']
const jobs: Record<string, () => ScriptedJob> = {
  'pump-and-hold': () => wholeJob(by('doctors-runabout', 'two-person', 'pump-and-hold')),
  'press-through': () => wholeJob(by('doctors-runabout-rhd', 'two-person', 'press-through')),
  'check-valve': () => wholeJob(by('farm-quad', 'solo', 'check-valve')),
  'raised-bottle': () => wholeJob(by('courier-twin-disc', 'solo', 'raised-bottle')),
  gravity: () => wholeJob(by('ferry-hand-compact', 'gravity', 'gravity')),
  pressure: () => wholeJob(by('parcel-van', 'pressure', 'pressure')),
  vacuum: () => wholeJob(by('school-minibus', 'vacuum', 'vacuum')),
  'pressure-vacuum': () => wholeJob(by('ferry-estate', 'pressure-vacuum', 'pressure-vacuum')),
  reverse: () => wholeJob(by('touring-linked', 'reverse', 'reverse')),
  'bench-kit': () =>
    wholeJob(at('doctors-runabout', { reason: 'repair', replaced: ['cylinder'] }, ['two-person', 'bench'])),
  'ports-helper': () => wholeJob(at('doctors-runabout', { reason: 'repair', ranDry: true }, pedal)),
  'ports-prop': () => wholeJob(at('school-minibus', { reason: 'repair', ranDry: true }, ['solo', 'ports'])),
  'unit-replaced': () =>
    wholeJob(at('electric-post-van', { reason: 'repair', replaced: ['unit'] }, ['pressure', 'control-unit'])),
  'by-wire': () =>
    wholeJob(at('hybrid-taxi', { reason: 'service' }, ['two-person', 'pressure', 'control-unit'])),
  conversion: () => wholeJob(at('smithy-roadster', { reason: 'conversion', fluidFound: 'DOT 5' }, pedal)),
  'system-empty': () =>
    wholeJob(
      at('quarry-pickup', { reason: 'repair', systemEmpty: true }, ['pressure', ...pedal, 'control-unit']),
    ),
  'tested-and-kept': () => file(tested('coastguard-saloon'), 'kept', 'well within'),
  declined: () => file(tested('ferry-estate'), 'declined', 'not today, says the owner'),
  'not-fit-with-a-bleeder-open': () => {
    const job = ready(by('doctors-runabout', 'pressure', 'pressure'))
    job.until(({ run }) => run.call === 'open')
    return file(
      job.do(parked([pointNow(job)], { machineOn: true, note: 'on the transporter' })),
      'not-fit',
      'collected',
    )
  },
  'from-paper': () => file(fromPaper(by('parcel-van', 'two-person', 'pump-and-hold')).proved(), 'fit'),
  'half-on-paper': () => fromPaper(ready(by('parcel-van', 'two-person', 'pump-and-hold'))),
  'wrong-vehicle': () => {
    const job = ready(by('parcel-van', 'two-person', 'pump-and-hold'))
    const other = vehicle('school-minibus')
    return job.do({
      type: 'vehicle-moved',
      from: { vehicleId: 'v', plate: 'ISL 4', name: 'Parcel van' },
      vehicleId: 'w',
      plate: 'ISL 44',
      vehicle: other,
      why: 'two vans alike',
    })
  },
  seized: () => {
    const job = ready(by('doctors-runabout', 'two-person', 'pump-and-hold'))
    return wholeJob(job.trouble({ what: 'seized', point: pointNow(job) }))
  },
  'snapped-under-pressure': () => {
    const job = ready(by('parcel-van', 'pressure', 'pressure'))
    return wholeJob(job.trouble({ what: 'snapped', point: pointNow(job) }))
  },
  'stripped-and-parked': () => {
    const job = ready(by('doctors-runabout', 'two-person', 'pump-and-hold'))
    job.call('press', 'holding', 'open').trouble({ what: 'stripped', point: pointNow(job) })
    return job.do(parked([pointNow(job)], { pedalPropped: true }))
  },
  leaking: () => {
    const job = ready(by('parcel-van', 'two-person', 'pump-and-hold'))
    const line =
      job.state.vehicle.lines.find(({ id, to }) => id !== undefined && to.endsWith('brake'))?.id ?? ''
    return wholeJob(job.trouble({ what: 'leaking', line }))
  },
  'ran-dry': () => {
    const job = ready(by('doctors-runabout', 'two-person', 'pump-and-hold'))
    return wholeJob(
      job.trouble({
        what: 'ran-dry',
        reservoir: job.state.vehicle.parts.find(({ type }) => type === 'reservoir')?.id ?? '',
      }),
    )
  },
  'spilled-on-pads': () =>
    wholeJob(
      ready(by('school-minibus', 'vacuum', 'vacuum')).trouble({ what: 'spilled', ml: 80, on: 'pads' }),
    ),
  'wrong-fluid-moved': () => {
    const job = ready(by('doctors-runabout', 'two-person', 'pump-and-hold'))
    const reservoir = job.state.vehicle.parts.find(({ type }) => type === 'reservoir')?.id ?? ''
    return job.trouble({ what: 'wrong-fluid', spec: 'mineral', reservoir, moved: true })
  },
  'foot-slipped': () =>
    wholeJob(
      ready(by('doctors-runabout', 'two-person', 'pump-and-hold')).call(
        'press',
        'holding',
        'open',
        'foot-slipped',
      ),
    ),
  'another-way': () => {
    const job = ready(at('parcel-van', { reason: 'service' }, ['two-person', 'pressure', 'vacuum']))
    const technique = job.run.stages[job.run.stageIndex]?.stage.technique === 'vacuum' ? 'pressure' : 'vacuum'
    return wholeJob(
      job.do({ type: 'way-changed', technique, alone: true, why: 'the helper went to the ferry' }),
    )
  },
  'four-bottles': () => wholeJob(by('doctors-runabout', 'gravity', 'gravity')),
  'parked-overnight': () => {
    const job = ready(by('parcel-van', 'pressure', 'pressure')).do(parked([], { machineOn: true }))
    job.wait(14 * 3600).do(resumed({ asLeft: false, found: 'level lower by a finger' }))
    job.do({
      type: 'level-read',
      reservoir: job.state.vehicle.parts.find(({ type }) => type === 'reservoir')?.id ?? '',
      ml: 300,
    })
    return wholeJob(job)
  },
  'pedal-came-up': () => {
    const job = ready(by('doctors-runabout', 'two-person', 'pump-and-hold')).call('press', 'holding', 'open')
    job
      .do(parked([pointNow(job)], { pedalPropped: true }))
      .do(resumed({ asLeft: false, pedalCameUp: true, found: 'the prop had slipped' }))
    return wholeJob(job)
  },
  'failed-and-bled-again': () => {
    const job = by('parcel-van', 'two-person', 'pump-and-hold').bledToTheEnd()
    const [check] = checksFor(job.state)
    job.do({ type: 'check-proved', check: check?.id ?? '', passed: false, note: 'spongy' })
    return wholeJob(job.do({ type: 'bleed-again', why: 'the pedal gave' }))
  },
  'taken-back': () =>
    wholeJob(
      ready(by('farm-quad', 'two-person', 'press-through'))
        .undo()
        .undo(),
    ),
  'late-by-another': () => {
    const job = ready(by('parcel-van', 'two-person', 'pump-and-hold'))
    job.do({ type: 'bottle-emptied', waitedS: 412, sentBy: osk } as Act)
    job.by = osk
    return file(job.bledToTheEnd().proved(), 'fit').do({ type: 'addendum', text: 'the customer rang: firm' })
  },
  'second-batch': () =>
    wholeJob(
      ready(by('parcel-van', 'two-person', 'pump-and-hold')).do({
        type: 'container-opened',
        container: { spec: 'DOT 4', batch: 'B-2', code: 'G-14', sizeMl: 500 },
      }),
    ),
  'soft-pedal': () => wholeJob(at('ferry-estate', { reason: 'soft-pedal' }, pedal)),
  'one-corner': () =>
    wholeJob(
      at(
        'chapel-saloon',
        {
          reason: 'repair',
          opened: [vehicle('chapel-saloon').parts.find(({ type }) => type === 'wheel-brake')?.id ?? ''],
        },
        pedal,
      ),
    ),
  ...Object.fromEntries(
    ['two-person', 'pressure', 'gravity', 'vacuum', 'solo', 'two-person'].map((method, i) => [
      `by-chance-${i + 1}`,
      () =>
        byChance(
          at(
            [
              'doctors-runabout',
              'parcel-van',
              'ferry-hand-compact',
              'school-minibus',
              'farm-quad',
              'fire-tender',
            ][i] ?? '',
            { reason: 'service' },
            [method],
            300,
          ),
          7100 + i,
          260,
        ),
    ]),
  ),
}

for (const [name, make] of Object.entries(jobs)) {
  const job = make()
  const { state, events } = job
  const record = state.filed && { ...state, undoable: [], addenda: [] }
  writeFileSync(
    `${folder}/${name}.json`,
    `${JSON.stringify({ format: 'ruddy-siphon.job-log', version: 1, events, facts: factsOf(state), ...(record && { record }) })}\n`,
  )
}
console.log(`${Object.keys(jobs).length} logs in ${folder}`)
