import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { workSchema } from '../plan/request'
import { partsOf } from '../vehicle/parts'
import { fullStrokeMl, levelFirst } from './levels'

// Its reservoir holds 400 mL at MAX and 250 at MIN; 40 keep every port covered.
const vehicle = vehicleFrom(carFile(fourCorners))
const cylinder = partsOf(vehicle, 'master-cylinder')[0]?.id ?? ''
const kindNow = ({ run }: ScriptedJob) => run.stages[run.stageIndex]?.stage.kind

describe('a level below MIN at check-in', () => {
  const checkIn = (levelMl: number, more: object = {}, work: object = {}) => {
    const job = new ScriptedJob()
    job.do({ type: 'job-opened', vehicleId: 'v', plate: 'ISL 4', vehicle })
    return job.refusal({
      type: 'checked-in',
      checkIn: {
        work: workSchema.parse({ reason: 'service', levelMl: { res: levelMl }, ...work }),
        colour: 'brown',
        note: '',
        ...more,
      },
    })
  }

  test('asks whether air went in, whoever sends it', () => {
    expect(checkIn(249)).toBe('below-min-unasked')
    expect(checkIn(250)).toBeUndefined()
  })
  test('is answered by either word', () => {
    expect(checkIn(249, { portsStayedCovered: true })).toBeUndefined()
    expect(checkIn(249, {}, { ranDry: true })).toBeUndefined()
  })
  test('needs no asking where a port is bare: it counts as run dry', () => {
    expect(checkIn(39)).toBeUndefined()
  })
})

describe('a level that something disturbed is looked at before anybody draws from it', () => {
  test('the ports cracked: then the first bleeder waits for somebody to look', () => {
    const job = ScriptedJob.planned(vehicle, { reason: 'repair', opened: [cylinder] }, ['two-person'], 400)
    job.until((now) => kindNow(now) === 'port-bleed' && levelFirst(now.state) === undefined)
    job.until((now) => kindNow(now) === 'bleed' && levelFirst(now.state) !== undefined)
    expect(job.run.levelMl).toEqual({})
    job.do({ type: 'level-read', reservoir: 'res', ml: 320 })
    expect(levelFirst(job.state)).toBeUndefined()
    expect(job.run.levelMl).toEqual({ res: 320 })
  })

  test('a wheel after a wheel disturbs nothing that is not counted', () => {
    const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 400)
    job.until(({ state }) => state.run?.stages.at(-1)?.stage.kind === 'prove' && kindNow(job) === 'bleed')
    const asked: (string | undefined)[] = []
    job.until((now) => {
      asked.push(levelFirst(now.state))
      return kindNow(now) === 'prove'
    })
    expect(asked.filter(Boolean)).toEqual([])
  })

  test('what is drawn down to a mark counts from a level that somebody saw', () => {
    const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'])
    job.do({ type: 'step-done', step: 'cover' })
    const draw = { type: 'step-done', step: 'draw', ml: 200 } as const
    expect(job.refusal(draw)).toBe('level-unseen')
    expect(levelFirst(job.state)).toBe('res')
    job.do({ type: 'level-read', reservoir: 'res', ml: 310 }).do(draw)
    expect(job.run.levelMl).toEqual({ res: 110 })
  })
})

test('a pull is begun where a whole stroke, and what runs on with the joint still open, leaves the level above MIN', () => {
  const begunAt = (aboveMinMl: number) => {
    const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 400)
    job.until(({ run }) => Object.values(run.stages.at(run.stageIndex)?.at ?? {}).some(({ ready }) => ready))
    job.do({ type: 'level-read', reservoir: 'res', ml: 250 + aboveMinMl })
    return job.refusal(job.callOf('press'))
  }
  const strokeMl = fullStrokeMl(vehicle, 'rr') ?? 0
  expect(strokeMl).toBeGreaterThan(0)
  expect(begunAt(strokeMl + 1)).toBe('top-up-due')
  expect(begunAt(strokeMl + 1.6)).toBeUndefined()
})
