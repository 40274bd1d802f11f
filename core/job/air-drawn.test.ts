import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { cabView } from '../cab/view'
import { doubt } from './change'
import { freshPoint } from './points'

/** A control unit with a bleeder of its own between the cylinder and one rear brake. */
function withUnit() {
  const file = carFile(fourCorners.slice(2))
  return vehicleFrom({
    ...file,
    parts: [
      ...file.parts,
      {
        id: 'unit',
        type: 'control-unit',
        role: 'abs',
        routine: 'none',
        volumeMl: 20,
        bleeders: [{ id: 'hcu' }],
      },
    ],
    lines: [
      {
        id: 'to-unit',
        from: 'mc-B',
        to: 'unit',
        circuit: 'B',
        segments: [{ lengthM: 0.5, boreMm: 3.34, kind: 'tube' }],
      },
      {
        id: 'line-rr',
        from: 'unit',
        to: 'brake-rr',
        circuit: 'B',
        segments: [{ lengthM: 4, boreMm: 3.34, kind: 'tube' }],
      },
      ...file.lines.filter(({ to }) => to !== 'brake-rr'),
    ],
  })
}
const last = (job: ScriptedJob) => job.state.troubles.at(-1)

test('air drawn in behind the unit makes the unit’s finished bleeder doubtful: clean pulls again, its volume stays', () => {
  const job = ScriptedJob.planned(withUnit(), { reason: 'service' }, ['two-person'], 380)
  job.until(({ run }) => run.callAt === 'rr' && run.call === 'open')
  const before = job.point('hcu')
  expect(before?.finished).toBe(true)
  job.call('foot-slipped')
  expect(last(job)).toMatchObject({ startAgain: ['rr'], doubtful: ['hcu'] })
  expect(job.point('hcu')).toMatchObject({ finished: false, doubtful: true, ml: before?.ml, cleanStreak: 0 })
  job.call('close').bledToTheEnd()
  expect(job.point('hcu')).toMatchObject({ finished: true, doubtful: undefined })
  expect(job.point('rr')?.finished).toBe(true)
})

test('a place that is bled again in a later round keeps its whole volume to come, though it was done before', () => {
  const job = ScriptedJob.planned(withUnit(), { reason: 'service' }, ['two-person'], 380)
  job.until(({ run }) => run.callAt === 'rr' && run.call === 'open')
  const unfinished = job.run.stages.map((each) => ({
    ...each,
    at: { ...each.at, hcu: { ...(each.at.hcu ?? freshPoint()), finished: false, ml: 0, cleanStreak: 2 } },
  }))
  const after = doubt({ ...job.run, stages: unfinished }, ['hcu'])
  expect(after.stages[after.stageIndex]?.at.hcu).toMatchObject({ cleanStreak: 0 })
  expect(after.stages[after.stageIndex]?.at.hcu?.doubtful).toBeUndefined()
})

test('air drawn in at one brake says nothing of a finished brake on another line', () => {
  const job = ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners)),
    { reason: 'service' },
    ['two-person'],
    380,
  )
  job.until(({ run }) => run.callAt === 'rl' && run.call === 'open').call('foot-slipped')
  expect(last(job)).toMatchObject({ startAgain: ['rl'], doubtful: [], stillValid: ['rr'] })
  expect(last(job)?.says.params?.upstream).toEqual({ code: 'air-upstream-cylinder' })
})

describe('a bleeder close to a cylinder whose ports were bled before it', () => {
  const file = carFile(fourCorners)
  const short = [{ lengthM: 0.3, boreMm: 3.34, kind: 'tube' }]
  const near = vehicleFrom({
    ...file,
    lines: file.lines.map((line) => (line.to === 'brake-fl' ? { ...line, segments: short } : line)),
  })
  const slipped = (point: string) => {
    const job = ScriptedJob.planned(near, { reason: 'repair', replaced: ['mc'] }, ['two-person'], 380)
    const open = () => job.run.callAt === point && job.run.call === 'open'
    return job.until(open).call('foot-slipped')
  }
  const kind = ({ run }: ScriptedJob) => run.stages[run.stageIndex]?.stage.kind

  test('one stroke draws it as far as the port: the call is brought to its end, then the ports come again, then the rest', () => {
    const job = slipped('fl')
    const before = job.run.stageIndex
    expect(last(job)?.doubtful).toEqual(['mc-A'])
    // Nothing moves while the joint is open.
    expect([kind(job), cabView(job.state).says]).toEqual(['bleed', 'stay-off'])
    job.call('close').until(({ run }) => run.stageIndex < before)
    expect([kind(job), job.run.call]).toEqual(['port-bleed', 'rest'])
    expect(job.point('mc-A')).toMatchObject({ finished: false, doubtful: true })
    expect(job.point('mc-B')?.finished).toBe(true)
    const done = (id: string) => job.run.stages[before]?.at[id]
    expect(done('rr')?.finished).toBe(true)
    expect(done('fl')).toMatchObject({ finished: false, ready: false })
    job.bledToTheEnd()
    expect([job.point('fl')?.finished, kind(job)]).toEqual([true, 'prove'])
  })

  test('back at the ports the reservoir runs dry: what was done in the stage ahead starts again too', () => {
    const job = slipped('fl')
    const ahead = job.run.stageIndex
    job.call('close').until(({ run }) => run.stageIndex < ahead)
    expect(job.run.stages[ahead]?.at.rr?.finished).toBe(true)
    job.trouble({ what: 'ran-dry', reservoir: 'res' })
    const done = job.run.stages.flatMap(({ at }) => Object.entries(at).filter(([, { finished }]) => finished))
    expect(done).toEqual([])
  })

  test('4 m of pipe hold more than one stroke: the ports stay done', () => {
    expect(last(slipped('rl'))?.doubtful).toEqual([])
  })
})

test('what was proved before air went in counts no more', () => {
  const job = ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners)),
    { reason: 'service' },
    ['two-person'],
    380,
  )
  job.bledToTheEnd().do({ type: 'check-proved', check: 'level', passed: true, note: '' })
  const parked = { type: 'parked', why: 'ferry', machineOn: false, pedalPropped: false, note: '' } as const
  job.do({ ...parked, standsOpen: ['rr'] })
  job
    .do({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '' })
    .do({ type: 'joint-shut', point: 'rr' })
  expect(job.state.proofs).toEqual({})
})

test('a foot that slips before anything was opened draws nothing in', () => {
  const job = ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners)),
    { reason: 'service' },
    ['two-person'],
    380,
  )
  job.until(({ run }) => run.call === 'holding').call('foot-slipped')
  expect(job.run.call).toBe('rest')
  expect(job.state.troubles).toEqual([])
  expect(job.point('rr')?.airDrawn).toBe(0)
})

test('a hose that comes off under vacuum draws air in; one at a pressurised bleeder only makes a mess', () => {
  const slips = (method: string) => {
    const job = ScriptedJob.planned(vehicleFrom(carFile(fourCorners)), { reason: 'service' }, [method], 380)
    job.until(({ run }) => run.call === 'open')
    return job.refusal(job.callOf('hose-came-off'))
  }
  expect(slips('vacuum')).toBeUndefined()
  expect(slips('pressure')).toBe('act-not-now')
})
