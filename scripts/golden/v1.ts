import { checksFor } from '~core/job/proofs/checks'
import { type Act, osk, type ScriptedJob } from '~test/worlds/scripted-job'
import {
  at,
  by,
  byChance,
  collectedOpen,
  file,
  fromPaper,
  parked,
  pointNow,
  ready,
  resumed,
  tested,
  vehicle,
  wholeJob,
} from './acting'

const pedal = ['two-person']
/** Every type of event of the first version, and its ways out. */
export const firstVersion: Record<string, () => ScriptedJob> = {
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
  'not-fit-with-a-bleeder-open': collectedOpen,
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
