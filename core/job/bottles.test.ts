import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import type { Vehicle } from '../vehicle/schema'
import { hangable } from './bottles'
import { findings } from './findings'
import { openPoints } from './points'
import { bleedDone } from './selectors'

const vehicle = vehicleFrom(carFile(fourCorners))
const hang = (point: string) => ({ type: 'bottle-hung', point }) as const
const watch = (point: string) => ({ type: 'bottle-watched', point }) as const
/** The first bottle runs. */
const running = () =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, ['gravity'], 380).until(
    ({ run }) => run.call === 'open',
  )

test('four bottles run at once, the fifth point waits, and each keeps its own count and its own mark', () => {
  const job = running()
  job.do({ type: 'pull-seen', ml: 30, colour: 'dark', bubbles: 'none' })
  for (const point of hangable(job.state)) job.do(hang(point))
  expect(openPoints(job.run).sort()).toEqual(['fl', 'fr', 'rl', 'rr'])
  expect(hangable(job.state)).toEqual([])
  expect(job.run.bottleMl).toBe(0)
  job.do(watch('rr'))
  expect(job.run.bottleMl).toBe(30)
  job.do({ type: 'pull-seen', ml: 20, colour: 'dark', bubbles: 'none' })
  expect(['rr', 'rl'].map((id) => job.point(id)?.ml)).toEqual([50, 0])
})

test('each bottle is timed by itself, in the company it runs in; another company is timed anew', () => {
  const job = running().wait(60)
  const look = (ml: number) => job.do({ type: 'pull-seen', ml, colour: 'dark', bubbles: 'none' })
  look(15)
  expect(job.point('rr')).toMatchObject({ timedMl: 15, timedS: 60 })
  job.do(hang('rl')).wait(120)
  look(20).do(watch('rr')).wait(30)
  // Opened alone and looked at in company: nobody knows how much of it came when.
  look(31)
  expect(job.point('rl')).toMatchObject({ timedMl: 20, timedS: 120, timedWith: ['rr'] })
  expect(job.point('rr')).toMatchObject({ timedMl: 15, timedS: 60 })
  job.wait(90)
  look(9)
  expect(job.point('rr')).toMatchObject({ timedMl: 9, timedS: 90, timedWith: ['rl'] })
})

describe('two bottles on one line', () => {
  // 4 m of pipe to a junction, and from there so much to each rear wheel.
  const file = carFile(fourCorners)
  const sharing = (rlM: number, rrM: number) =>
    vehicleFrom({
      ...file,
      parts: [...file.parts, { id: 'tee', type: 'junction' }],
      lines: [
        ...file.lines.slice(0, 2),
        { ...file.lines[2], id: 'trunk', to: 'tee', segments: [{ lengthM: 4, boreMm: 3.34, kind: 'tube' }] },
        ...[['rl', rlM] as const, ['rr', rrM] as const].map(([id, lengthM]) => ({
          id: `line-${id}`,
          from: 'tee',
          to: `brake-${id}`,
          circuit: 'B',
          segments: [{ lengthM, boreMm: 3.34, kind: 'tube' }],
        })),
      ],
    })
  const foundAt = (shared: Vehicle, mlPerMin: { rl: number; rr: number }) => {
    const job = ScriptedJob.planned(shared, { reason: 'service' }, ['gravity'], 400)
    job.until(({ run }) => run.call === 'open' && run.callAt?.startsWith('r') === true)
    const [first, second] = job.run.callAt === 'rl' ? (['rl', 'rr'] as const) : (['rr', 'rl'] as const)
    const look = (ml: number) => job.do({ type: 'pull-seen', ml, colour: 'dark', bubbles: 'none' })
    job.do(hang(second)).wait(480)
    look(8 * mlPerMin[second]).do(watch(first))
    look(8).wait(480)
    look(8 * mlPerMin[first])
    const codes = () => findings(job.state).flatMap(({ code }) => (code.endsWith('-slow') ? code : []))
    return [...codes(), ...(job.do(watch(second)) && codes())]
  }
  const slowAt = (mlPerMin: number) => foundAt(sharing(0.5, 0.5), { rl: mlPerMin, rr: 8 })
  test('the longer branch takes its small share of what they pass together, and is sound', () => {
    // Beyond the junction 0.75 m against 3.25, bleeder included: a quarter, where two lines of their own give two thirds.
    expect(foundAt(sharing(0.5, 3), { rl: 11, rr: 2.6 })).toEqual([])
  })

  test('a sound wheel is not suspected for the company it has, and a closed one is found in it', () => {
    // Alone it passes about 14 mL/min by 0.6 m of head (Hagen–Poiseuille, 4.5 m), in company a little above a half.
    expect(slowAt(5)).toEqual([])
    expect(slowAt(2.5)).toContain('side-slow')
  })
})

test('closing one leaves the others open and goes on at the next; the call ends with the last', () => {
  const job = running()
  job.do(hang('rl'))
  job.call('close')
  expect(job.run).toMatchObject({ call: 'open', callAt: 'rr', hung: [] })
  expect(openPoints(job.run)).toEqual(['rr'])
  job.call('close')
  expect(job.run.call).toBe('rest')
  expect(openPoints(job.run)).toEqual([])
})

describe('what ran since the last look is written down at closing', () => {
  const look = (ml: number) => ({ type: 'pull-seen', ml, colour: 'dark', bubbles: 'none' }) as const

  test('of one that was left running, before the next is gone on with', () => {
    const job = running().do(look(30)).do(hang('rl')).wait(120).do(watch('rr')).call('close')
    expect(job.run).toMatchObject({ call: 'rest', callAt: 'rr', lookDue: true })
    expect(openPoints(job.run)).toEqual(['rl'])
    expect([job.refusal(hang('fl')), job.refusal(watch('rl'))]).toEqual(['no-bottle-here', 'no-bottle-runs'])
    job.do(look(25))
    expect(job.point('rr')?.ml).toBe(55)
    expect(job.run).toMatchObject({ call: 'open', callAt: 'rl', lookDue: false, levelMl: { res: 345 } })
  })

  test('of the last one too; nothing more came is an answer that undoes nothing', () => {
    const job = running()
      .do({ ...look(200), colour: 'new' })
      .do({ ...look(5), colour: 'new' })
      .wait(60)
    const clean = job.point('rr')?.cleanStreak
    job.call('close').do(look(0))
    expect(job.run).toMatchObject({ call: 'rest', lookDue: false })
    expect(clean).toBe(2)
    expect(job.point('rr')).toMatchObject({ cleanStreak: 2, ml: 205 })
  })

  test('not where somebody looked just before', () => {
    const job = running().wait(60).do(look(30)).wait(5).call('close')
    expect(job.run).toMatchObject({ call: 'rest', lookDue: false })
  })
})

test('a hose that came off is closed before anything else, and only its own count starts again', () => {
  const job = running()
  job.do({ type: 'pull-seen', ml: 30, colour: 'dark', bubbles: 'none' })
  job.do(hang('rl')).call('hose-came-off')
  expect(job.refusal(watch('rr'))).toBe('no-bottle-runs')
  job.call('close')
  expect(job.point('rl')).toMatchObject({ airDrawn: 1, ml: 0 })
  expect(job.point('rr')).toMatchObject({ airDrawn: 0, ml: 30 })
})

test('what runs is named when the job is parked, and nothing is bled further with one forgotten', () => {
  const job = running()
  job.do(hang('rl'))
  const parked = { type: 'parked', why: 'ferry', machineOn: false, pedalPropped: false, note: '' } as const
  expect(job.refusal({ ...parked, standsOpen: ['rl'] })).toBe('open-not-named')
  expect(job.refusal({ ...parked, standsOpen: ['rl', 'rr'] })).toBeUndefined()
  expect(job.refusal({ type: 'trouble', trouble: { what: 'seized', point: 'rr' } })).toBe('open-not-seized')
  job.bledToTheEnd()
  expect(bleedDone(job.state)).toBe(true)
})

test('no bottle is hung by another way, at a bleeder that is finished, or where the reservoir would run dry', () => {
  const solo = ScriptedJob.planned(vehicle, { reason: 'service' }, ['solo'], 380)
  solo.until(({ run }) => run.call === 'open')
  expect(solo.refusal(hang('rl'))).toBe('no-bottle-here')
  const job = running()
  expect([job.refusal(hang('rr')), job.refusal(hang('nobody')), job.refusal(watch('rl'))]).toEqual([
    'no-bottle-here',
    'no-bottle-here',
    'no-bottle-runs',
  ])
  job.do({ type: 'level-read', reservoir: 'res', ml: 250 })
  expect(job.refusal(hang('rl'))).toBe('top-up-due')
})
