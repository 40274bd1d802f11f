import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import {
  at,
  by,
  byChance,
  collectedOpen,
  parked,
  pointNow,
  ready,
  resumed,
  vehicle,
  wholeJob,
} from './acting'

const reservoirOf = (job: ScriptedJob) =>
  job.state.vehicle.parts.find(({ type }) => type === 'reservoir')?.id ?? ''
const loaded = () =>
  at('parcel-van', { reason: 'service' }, ['pressure', 'two-person']).until(
    ({ state }) => state.standing.up.length > 0,
  )

/** What the second version records beside the first: what stands on the vehicle, levels seen, remedies, last looks. */
export const secondVersion: Record<string, () => ScriptedJob> = {
  'left-open-and-shut': () => {
    const job = ready(by('doctors-runabout', 'two-person', 'pump-and-hold'), 2)
    const [first = ''] = job.run.stages[job.run.stageIndex]?.points ?? []
    return wholeJob(
      job
        .do(parked([first]))
        .do(resumed())
        .do({ type: 'joint-shut', point: first }),
    )
  },
  'moved-with-the-adapter-on': () => {
    const job = loaded()
    return job.do({
      type: 'vehicle-moved',
      from: { vehicleId: 'v', plate: 'ISL 4', name: 'Parcel van' },
      vehicleId: 'w',
      plate: 'ISL 44',
      vehicle: vehicle('school-minibus'),
      why: 'two vans alike',
    })
  },
  'machine-found-empty': () => {
    const job = ready(by('parcel-van', 'pressure', 'pressure'), 2).do(parked([], { machineOn: true }))
    job.do(resumed({ asLeft: false, found: 'tank empty', machineEmpty: true }))
    return wholeJob(job.do({ type: 'level-read', reservoir: reservoirOf(job), ml: 300 }))
  },
  'drawn-again': () => {
    const job = by('doctors-runabout', 'two-person', 'pump-and-hold')
    ready(job, 0).do({ type: 'drawn-again', reservoir: reservoirOf(job) })
    return wholeJob(job)
  },
  'last-look-of-a-bottle': () => {
    const job = by('ferry-hand-compact', 'gravity', 'gravity').until(({ run }) => run.call === 'open')
    const first = pointNow(job)
    const second = job.run.stages[job.run.stageIndex]?.points[1] ?? ''
    job.do({ type: 'bottle-hung', point: second }).wait(240).do({ type: 'bottle-watched', point: first })
    job.call('close').do({ type: 'pull-seen', ml: 22, colour: 'dark', bubbles: 'none' })
    return wholeJob(job)
  },
  'air-as-far-as-the-ports': () => {
    const near = carFile(fourCorners.map((each) => ({ ...each, lengthM: 0.3 })))
    const job = ScriptedJob.planned(
      vehicleFrom(near),
      { reason: 'repair', replaced: ['mc'] },
      ['two-person'],
      380,
    )
    return wholeJob(ready(job).call('press', 'holding', 'open', 'foot-slipped'))
  },
  'failed-set-right-and-proved': () => {
    const job = by('school-minibus', 'vacuum', 'vacuum').bledToTheEnd()
    job.do({ type: 'check-proved', check: 'level', passed: true, note: '' })
    job.do({ type: 'check-proved', check: 'pads-seated', passed: false, note: '' })
    return wholeJob(job)
  },
  'snapped-and-shut': () => {
    const job = ready(by('parcel-van', 'pressure', 'pressure')).until(({ run }) => run.call === 'open')
    const point = pointNow(job)
    return wholeJob(job.trouble({ what: 'stripped', point }))
  },
  'unit-cycled-unplugged-before': () =>
    wholeJob(at('electric-post-van', { reason: 'repair', replaced: ['unit'] }, ['pressure', 'control-unit'])),
  'by-wire': () =>
    wholeJob(at('hybrid-taxi', { reason: 'service' }, ['two-person', 'pressure', 'control-unit'])),
  'collected-with-a-bleeder-open': collectedOpen,
  ...Object.fromEntries(
    ['two-person', 'pressure', 'gravity', 'vacuum'].map((method, i) => [
      `by-chance-${i + 1}`,
      () =>
        byChance(
          at(
            ['doctors-runabout', 'parcel-van', 'ferry-hand-compact', 'school-minibus'][i] ?? '',
            { reason: 'service' },
            [method],
            300,
          ),
          9200 + i,
          200,
        ),
    ]),
  ),
}
