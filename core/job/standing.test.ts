import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { type Act, ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { cabView } from '../cab/view'
import { filingRefusal } from './filing'
import { allOpen, standingFacts } from './standing'
import { currentStep } from './steps'

const vehicle = vehicleFrom(carFile(fourCorners))
const planned = (method: string, work: object = { reason: 'service' }) =>
  ScriptedJob.planned(vehicle, work, [method], 400)
const parked = (more: Partial<Extract<Act, { type: 'parked' }>> = {}): Act => ({
  type: 'parked',
  why: 'phone',
  standsOpen: [],
  machineOn: false,
  pedalPropped: false,
  note: '',
  ...more,
})
const resumed = (more: Partial<Extract<Act, { type: 'resumed' }>> = {}): Act => ({
  type: 'resumed',
  asLeft: true,
  pedalCameUp: false,
  found: '',
  ...more,
})
const shut = (point: string): Act => ({ type: 'joint-shut', point })
const openAt = (job: ScriptedJob, point: string) =>
  job.until(({ run }) => run.callAt === point && run.call === 'open')
const atRest = (job: ScriptedJob, point: string) =>
  job.until((now) => now.run.call === 'rest' && !now.run.lookDue && now.point(point)?.ready === true)
const up = ({ state }: ScriptedJob) => [...state.standing.up]
const step = ({ state, run }: ScriptedJob) => currentStep({ ...state, run })

describe('open is open', () => {
  test('a bleeder named open at parking stays open, nothing is pressed with it, and it is doubtful once shut', () => {
    const job = atRest(planned('two-person'), 'rl')
    expect(job.point('rr')?.finished).toBe(true)
    job.do(parked({ standsOpen: ['rr'] })).do(resumed())
    expect(allOpen(job.state)).toEqual(['rr'])
    expect(job.refusal(job.callOf('press'))).toBe('stands-open')
    expect(job.refusal(shut('rl'))).toBe('not-open')
    job.do(shut('rr'))
    expect(allOpen(job.state)).toEqual([])
    expect(job.point('rr')).toMatchObject({ finished: false, airDrawn: 1, ml: 0 })
    expect(job.bledToTheEnd().point('rr')?.finished).toBe(true)
  })

  test('a place that this vehicle has not is no joint, whatever it is called', () => {
    for (const point of ['constructor', 'nobody'])
      expect(planned('two-person').refusal(parked({ standsOpen: [point] }))).toBe('no-such-joint')
  })

  test('an empty machine found at taking up leaves no pressure, and what it fed is doubtful', () => {
    const job = atRest(planned('pressure'), 'rl')
    expect(job.refusal(parked())).toBe('pressure-not-named')
    job.do(parked({ machineOn: true })).do(resumed({ asLeft: false, found: 'empty', machineEmpty: true }))
    expect(up(job)).toEqual(['adapter'])
    expect(job.point('rr')).toMatchObject({ finished: false, doubtful: true })
    expect(step(job)?.step.id).not.toBe('depressurise')
    job.bledToTheEnd()
    expect(up(job)).toEqual([])
  })
})

describe('release and let-off', () => {
  test('stripped after it was closed: the cab keeps holding until somebody says that it is shut', () => {
    const job = openAt(planned('two-person'), 'rr').call('close')
    expect(cabView(job.state).says).toBe('release')
    job.trouble({ what: 'stripped', point: 'rr' })
    expect(cabView(job.state).says).toBe('hold')
    expect(job.refusal(job.callOf('release'))).toBe('stands-open')
    job.do(shut('rr'))
    expect(cabView(job.state).says).toBe('release')
    job.call('release')
    expect(job.state.standing.broken).toEqual(['rr'])
  })

  test('the vacuum stays on at a broken one', () => {
    const job = openAt(planned('vacuum'), 'rr').call('close').trouble({ what: 'stripped', point: 'rr' })
    expect(job.refusal(job.callOf('let-off'))).toBe('stands-open')
  })

  test('a foot on a pedal that holds a broken joint is not walked away from', () => {
    const job = openAt(planned('two-person'), 'rr').call('close').trouble({ what: 'stripped', point: 'rr' })
    expect(job.refusal(parked({ standsOpen: ['rr'] }))).toBe('pedal-would-rise')
    expect(job.refusal(parked({ standsOpen: ['rr'], pedalPropped: true }))).toBeUndefined()
  })

  test('a pedal that came up meanwhile drew air in, and that is reported', () => {
    const job = openAt(planned('two-person'), 'rr').do(parked({ standsOpen: ['rr'], pedalPropped: true }))
    job.do(resumed({ pedalCameUp: true }))
    expect(job.run.call).toBe('slipped')
    expect(job.state.troubles.at(-1)?.what).toBe('air-drawn')
    expect(up(job)).toEqual([])
  })
})

test('with one broken and not yet mended nothing is pressed, opened or hung elsewhere, and no brake is pressed hard', () => {
  const gravity = openAt(planned('gravity'), 'rr').trouble({ what: 'snapped', point: 'rr' })
  expect(gravity.refusal({ type: 'bottle-hung', point: 'rl' })).toBe('stands-open')
  const job = atRest(planned('two-person'), 'rl').trouble({ what: 'snapped', point: 'rr' })
  expect(job.refusal(job.callOf('press'))).toBeDefined()
  expect(step(job)?.step.shuts).toBe('rr')
})

test('an act that does not say which turn of the call it saw is of no turn', () => {
  const job = atRest(planned('two-person'), 'rr')
  const { point, call, pulls } = { point: 'rr', call: 'rest' as const, pulls: 0 }
  expect(job.refusal({ type: 'call', act: 'press', seen: { point, call, pulls } })).toBe('gone-on')
  const turn = job.state.callTurn ?? 0
  expect(job.refusal({ type: 'call', act: 'press', seen: { point, call, pulls, turn } })).toBeUndefined()
})

describe('the machine’s pressure', () => {
  test('named on where it does not belong, it is let off and taken down before anything is opened', () => {
    const job = atRest(planned('two-person'), 'rr')
      .do(parked({ machineOn: true }))
      .do(resumed())
    expect(job.refusal(job.callOf('press'))).toBe('step-first')
    expect(step(job)?.away).toBe('pressure')
    job.do({ type: 'put-away', thing: 'pressure' }).do({ type: 'put-away', thing: 'adapter' })
    expect(job.refusal(job.callOf('press'))).toBeUndefined()
  })

  test('a bleeder that snaps after the let-off: pressure comes up again and is let off again before the adapter', () => {
    const job = planned('pressure').until((now) => step(now)?.step.id === 'adapter-off')
    job.trouble({ what: 'snapped', point: 'fl' })
    const done: string[] = []
    for (let n = 0; n < 400; n++) {
      const due = step(job)
      if (job.run.stages[job.run.stageIndex]?.stage.kind === 'prove' && !due) break
      if (due) done.push(due.step.id.replace(/^.*-fitted$/, 'fitted'))
      const before = job.events.length
      job.until(({ events }) => events.length > before)
    }
    const on = done.lastIndexOf('pressurise')
    expect(done.indexOf('fitted')).toBeLessThan(on)
    expect(done.slice(on)).toEqual(expect.arrayContaining(['pressurise', 'depressurise', 'adapter-off']))
    expect(done.lastIndexOf('depressurise')).toBeLessThan(done.lastIndexOf('adapter-off'))
    expect(up(job)).toEqual([])
  })

  test('named on again between the let-off and the adapter, it is let off again first', () => {
    const brake = vehicle.lines[0]?.id ?? ''
    for (const work of [{ reason: 'service' }, { reason: 'repair', opened: [brake] }]) {
      const job = planned('pressure', work).until((now) => step(now)?.step.id === 'adapter-off')
      job.do(parked({ machineOn: true })).do(resumed())
      expect(step(job)?.step.code).toBe('depressurise')
    }
  })

  test('under every mend it is off first', () => {
    const job = openAt(planned('pressure'), 'rr').trouble({ what: 'spilled', ml: 20, on: 'paint' })
    job.call('close')
    expect(step(job)?.away).toBe('pressure')
  })
})

describe('set up is set up until it is taken away', () => {
  test('a plan given up for a wrong fluid forgets nothing: the unit stays unplugged, the broken bleeder broken', () => {
    const van = demoVehicle('post-van-lhd')
    const job = ScriptedJob.planned(van, { reason: 'repair', replaced: ['unit'] }, [
      'two-person',
      'control-unit',
    ])
    job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed' && run.callAt !== undefined)
    job.until(({ run }) => run.call === 'rest' && !run.lookDue)
    const point = job.run.stages[job.run.stageIndex]?.points[0] ?? ''
    job.trouble({ what: 'snapped', point })
    job.do(shutOrMend(job))
    job.trouble({ what: 'wrong-fluid', spec: 'DOT 5', reservoir: 'reservoir', moved: true })
    expect(job.state.run).toBeUndefined()
    expect(standingFacts(job.state).map(({ code }) => code)).toContain('standing-unit-unplugged')
    expect(filingRefusal(job.state, 'fit')).toBeDefined()
  })

  test('what no step of the plan takes away is taken away before the proof', () => {
    const job = atRest(planned('two-person'), 'rr')
      .do(parked({ pedalPropped: true }))
      .do(resumed())
    expect(step(job)?.away).toBe('prop')
    job.bledToTheEnd()
    expect(up(job)).toEqual([])
  })

  test('bled again after the proof, what was set up and taken away by then is set up again', () => {
    const taxi = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'repair', replaced: ['unit'] }, [
      'two-person',
      'control-unit',
    ]).bledToTheEnd()
    taxi.do({ type: 'bleed-again', why: 'soft' })
    expect(step(taxi)?.step.id).toBe('unpower-unit')
    taxi.bledToTheEnd()
    expect(up(taxi)).toEqual([])
  })
})

/** The mend that is due, done; it shuts what it renews. */
function shutOrMend(job: ScriptedJob): Act {
  const due = step(job)
  if (!due) throw new Error('nothing is due')
  return due.away ? { type: 'put-away', thing: due.away } : { type: 'step-done', step: due.step.id }
}
