import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../../vehicle/examples'
import { checksFor } from '../proofs/checks'
import { stationOf } from '../selectors'

const vehicle = vehicleFrom(carFile(fourCorners))
/** A routine exchange with the first of four bleeders (rr) finished and the next (rl) ready. */
const atTheSecond = (methods = ['two-person']) =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, methods, 300).until(({ run }) =>
    Boolean(run.stages[1]?.at.rl?.ready),
  )
const last = (job: ScriptedJob) => job.state.troubles.at(-1)
const mending = (job: ScriptedJob) => job.run.mends[0]?.steps.map(({ id }) => id.replace(/^.*-/, '')) ?? []
const done = (job: ScriptedJob, ml?: number) => {
  const step = job.run.mends[0]?.steps.find(({ id }) => !job.run.mends[0]?.stepsDone.includes(id))
  return job.do({ type: 'step-done', step: step?.id ?? 'none', ml })
}
const kinds = (job: ScriptedJob) => job.run.stages.map(({ stage }) => stage.kind)

test('ran dry after a corner was bled in a stage of its own: the wheels bled before it start again too', () => {
  const corner = { reason: 'repair', opened: ['line-rr'] }
  const job = ScriptedJob.planned(vehicle, corner, ['two-person'], 300).bledToTheEnd()
  job.trouble({ what: 'leaking', line: 'line-fl' }).bledToTheEnd()
  job.trouble({ what: 'ran-dry', reservoir: 'res' })
  const left = job.run.stages.flatMap(({ points, at }, i) =>
    i >= job.run.stageIndex ? points.filter((id) => !at[id]?.finished) : [],
  )
  expect(new Set(left)).toEqual(new Set(['mc-A', 'mc-B', 'rr', 'rl', 'fr', 'fl']))
})

test('ran dry in a shop that has no way for a cylinder: the ports by whoever is there, and every bleeder it feeds', () => {
  const job = ScriptedJob.planned(
    vehicleFrom(structuredClone(examples['electric-post-van']?.file)),
    { reason: 'repair', opened: ['rear right brake'] },
    ['pressure', 'vacuum'],
    300,
  ).bledToTheEnd()
  job.trouble({ what: 'ran-dry', reservoir: 'reservoir' }).bledToTheEnd()
  for (const place of ['primary', 'secondary', 'FL', 'FR', 'RL', 'RR'])
    expect(job.point(place)?.finished, place).toBe(true)
})

test('air in the cylinder is not forgotten where a wrong fluid ends the plan: the next one bleeds its ports too', () => {
  const job = atTheSecond().trouble({ what: 'ran-dry', reservoir: 'res' })
  job.trouble({ what: 'wrong-fluid', spec: 'mineral', reservoir: 'res', moved: true })
  expect(job.state.checkIn?.work).toMatchObject({ reason: 'conversion', ranDry: true })
})

test('a reservoir that ran dry outside the work has its own bleeder bled: the other system of a motorcycle', () => {
  const front = { reason: 'repair', opened: ['front brake'] }
  const job = ScriptedJob.planned(demoVehicle('courier-motorcycle'), front, ['two-person', 'vacuum'], 60)
  expect(job.bledToTheEnd().point('R')).toBeUndefined()
  job.trouble({ what: 'ran-dry', reservoir: 'rear reservoir' })
  expect(job.bledToTheEnd().point('R')?.finished).toBe(true)
})

describe('a bleeder that fails (common practice)', () => {
  test('seized: soaked while the others go on, never passed over, nothing starts again', () => {
    const job = atTheSecond().trouble({ what: 'seized', point: 'rl' })
    expect(job.run.stages[1]?.points).toEqual(['rr', 'fr', 'fl', 'rl'])
    expect(last(job)).toMatchObject({ startAgain: [], stillValid: ['rr'] })
    job.bledToTheEnd()
    expect(job.point('rl')).toMatchObject({ finished: true, trouble: undefined })
  })

  test.each(['snapped', 'stripped'] as const)(
    '%s with the pedal down: counted as open until somebody says it is shut, mended, and bled anew',
    (what) => {
      const job = atTheSecond().call('press', 'holding').trouble({ what, point: 'rl' })
      expect(job.run.call).toBe('open')
      expect(last(job)).toMatchObject({ startAgain: ['rl'], stillValid: ['rr'] })
      expect(job.refusal(job.callOf('release'))).toBe('act-not-now')
      job.call('close', 'release').do({ type: 'pull-seen', ml: 2, colour: 'brown', bubbles: 'froth' })
      expect(mending(job)).toEqual(['fitted'])
      expect(job.refusal({ type: 'point-ready', point: 'rl' })).toBe('step-first')
      done(job)
      expect(kinds(job).filter((kind) => kind === 'leak-check')).toHaveLength(1)
      expect(job.bledToTheEnd().point('rl')).toMatchObject({ finished: true })
    },
  )

  test('snapped after it was finished: the job goes back to it, and what was proved counts no more', () => {
    const job = atTheSecond().bledToTheEnd().proved().trouble({ what: 'snapped', point: 'fr' })
    expect(stationOf(job.state)).toBe('bleed')
    expect(job.state.proofs).toEqual({})
    expect(last(job)?.stillValid).toEqual(['rr', 'rl', 'fl'])
  })
})

test('a leaking hose: what lies beyond it starts again, and a leak check comes before the proof', () => {
  const line = vehicle.lines.find(({ to }) => to === 'brake-rr')?.id ?? ''
  const job = atTheSecond(['pressure']).trouble({ what: 'leaking', line })
  expect(last(job)).toMatchObject({ startAgain: ['rr'], stillValid: [] })
  expect(mending(job)).toEqual(['mended'])
  // What holds the joint under pressure is let off and taken down before anybody mends it.
  for (const thing of ['pressure', 'adapter']) job.do({ type: 'put-away', thing })
  done(job)
  expect(job.bledToTheEnd().point('rr')?.finished).toBe(true)
  expect(kinds(job).at(-2)).toBe('leak-check')
})

test('run dry: filled first, then the cylinder at its ports, then every bleeder it feeds', () => {
  const job = atTheSecond().trouble({ what: 'ran-dry', reservoir: 'res' })
  expect(last(job)).toMatchObject({ stillValid: [] })
  expect(last(job)?.startAgain.toSorted()).toEqual(['fl', 'fr', 'rl', 'rr'])
  done(job, 150)
  expect(job.run.levelMl.res).toBe(400)
  expect(job.run.stages[job.run.stageIndex]?.stage.kind).toBe('port-bleed')
  job.bledToTheEnd()
  expect(['mc-A', 'mc-B', 'rr'].map((id) => job.point(id)?.finished)).toEqual([true, true, true])
})

describe('spilled fluid', () => {
  test('is counted, and asks for more only by what it touched', () => {
    const job = atTheSecond()
    const startAgain: string[] = []
    job.trouble({ what: 'spilled', ml: 80, on: 'floor' })
    expect(job.run.mends).toEqual([])
    job.trouble({ what: 'spilled', ml: 20, on: 'paint' })
    expect(mending(job)).toEqual(['rinsed'])
    expect(job.run.stages[1]?.tally.spilledMl).toBe(100)
    expect(last(job)).toMatchObject({ startAgain, stillValid: ['rr'] })
  })

  test('on pads adds a check to the proof, once', () => {
    const job = atTheSecond()
    const asks = () => checksFor(job.state).filter(({ id }) => id === 'pads-clean').length
    expect(asks()).toBe(0)
    job.trouble({ what: 'spilled', ml: 5, on: 'pads' }).trouble({ what: 'spilled', ml: 5, on: 'pads' })
    expect(asks()).toBe(1)
  })
})

describe('wrong fluid poured', () => {
  const poured = (spec: 'DOT 3' | 'DOT 5' | 'unknown', moved: boolean) =>
    atTheSecond().trouble({ what: 'wrong-fluid', spec, reservoir: 'res', moved })

  test('and seen before anything moved: emptied, wiped, filled; every bleeder stays good', () => {
    const job = poured('DOT 5', false)
    expect(mending(job)).toEqual(['drawn', 'wiped', 'refilled'])
    expect(last(job)?.stillValid).toEqual(['rr'])
  })

  test('that may mix and has moved on: every bleeder behind it starts again', () => {
    expect(last(poured('DOT 3', true))?.startAgain.toSorted()).toEqual(['fl', 'fr', 'rl', 'rr'])
  })

  test.each(['DOT 5', 'unknown'] as const)('%s that has moved on ends the plan in a conversion', (spec) => {
    const job = poured(spec, true)
    expect(stationOf(job.state)).toBe('plan')
    expect(job.state.checkIn?.work).toMatchObject({ reason: 'conversion', fluidFound: spec })
    expect(job.state.earlier[0]?.tally.outMl).toBeGreaterThan(0)
  })

  test('a second batch of the wrong kind is refused before it is poured', () => {
    const job = atTheSecond()
    const open = (spec: 'DOT 4' | 'DOT 5') =>
      ({ type: 'container-opened', container: { spec, batch: 'K7' } }) as const
    expect(job.refusal(open('DOT 5'))).toBe('wrong-container')
    expect(job.do(open('DOT 4')).state.containers).toHaveLength(1)
  })

  test('what the plan puts in is right, though the vehicle calls for another', () => {
    const job = ScriptedJob.planned(vehicle, { reason: 'service', fluidUsed: 'DOT 5.1' }, ['two-person'])
    const container = { spec: 'DOT 5.1', batch: 'K8' } as const
    expect(job.do({ type: 'container-opened', container }).state.containers).toHaveLength(1)
  })
})

test.each([
  ['seized', { what: 'seized', point: 'rl' }],
  ['leaking', { what: 'leaking', line: vehicle.lines[0]?.id ?? '' }],
  ['ran dry', { what: 'ran-dry', reservoir: 'res' }],
  ['wrong fluid', { what: 'wrong-fluid', spec: 'DOT 5', reservoir: 'res', moved: true }],
] as const)('%s, said with a bleeder open, waits until it is closed', (_, trouble) => {
  const job = atTheSecond().call('press', 'holding', 'open')
  expect(['open-not-seized', 'trouble-call-first']).toContain(job.refusal({ type: 'trouble', trouble }))
})

test('a trouble is taken back like any act, with all that it changed', () => {
  const job = atTheSecond()
  const { run, proofs, troubles } = job.state
  job.trouble({ what: 'ran-dry', reservoir: 'res' }).undo()
  expect(job.state).toMatchObject({ run, proofs, troubles })
})

test('pressed through, a seized bleeder elsewhere never lets the foot come up from an open one', () => {
  const work = { reason: 'service', ways: [{ technique: 'press-through', why: 'slow strokes' }] }
  const job = ScriptedJob.planned(vehicle, work, ['two-person']).until(({ run }) =>
    Boolean(run.stages[1]?.at.rr?.ready),
  )
  job.call('open', 'press', 'holding').trouble({ what: 'seized', point: 'rl' })
  expect(job.run).toMatchObject({ call: 'holding', callAt: 'rr' })
})
