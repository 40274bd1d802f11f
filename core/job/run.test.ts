import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { applyEvent, replay } from './apply'
import { jobEventSchema } from './events'
import { watchReservoirs } from './levels'
import { stationOf } from './selectors'

const vehicle = vehicleFrom(carFile(fourCorners.slice(2)))
const aJob = (levelMl = 300) => ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], levelMl)
const untilPress = () => aJob().until(({ run }) => run.stages[1]?.at.rr?.ready === true)
const look = (colour: 'new' | 'brown' = 'new', bubbles: 'none' | 'froth' = 'none', ml = 5) =>
  ({ type: 'pull-seen', ml, colour, bubbles }) as const

describe('a job', () => {
  test('goes from check-in to the proof, and every event reads back through its schema', () => {
    const job = aJob().bledToTheEnd()
    const read = job.events.map((each) => jobEventSchema.parse(JSON.parse(JSON.stringify(each))))
    expect(replay(read)).toEqual(job.state)
    expect(stationOf(job.state)).toBe('prove')
  })

  test('knows everyone who recorded something on it, once each', () => {
    const job = aJob()
    job.by = { id: 'osk', name: 'Osk Teller' }
    job.bledToTheEnd()
    expect(job.state.people.map(({ name }) => name)).toEqual(['Una Brack', 'Osk Teller'])
  })
})

describe('refused, with nothing changed:', () => {
  test('a pull that would take the reservoir below MIN', () => {
    const job = untilPress()
    job.do({ type: 'level-read', reservoir: 'res', ml: 251 })
    expect(job.refusal(job.callOf('press'))).toBe('top-up-due')
  })

  test('finishing a point before its volume and its clean pulls, or out of turn', () => {
    const job = untilPress()
    expect(job.refusal({ type: 'point-finished', point: 'rr' })).toBe('point-not-done')
    expect(job.refusal({ type: 'point-finished', point: 'rl' })).toBe('other-point')
  })

  test('anything before the plate is compared, and a plan that says stop', () => {
    const planned = aJob()
    const before = replay(planned.events.slice(0, 4))
    const step = planned.event({ type: 'step-done', step: 'cover' })
    expect(applyEvent(before, step)).toMatchObject({ refusal: { code: 'plate-not-confirmed' } })
    const [, , , plan] = planned.events
    if (plan?.type !== 'planned') throw new Error('the fourth event is the plan')
    const stopped = { ...plan, plan: { ...plan.plan, verdict: 'stop' as const } }
    expect(applyEvent(replay(planned.events.slice(0, 3)), stopped)).toMatchObject({
      refusal: { code: 'plan-stopped' },
    })
  })

  test('a call made on what another screen has left behind', () => {
    const job = untilPress()
    const stale = job.callOf('press')
    job.call('press')
    expect(job.refusal(stale)).toBe('gone-on')
    // The very act would fit again one pull later; it was meant for the pull before.
    job.call('holding', 'open', 'close', 'release').do(look())
    expect(job.run.call).toBe('rest')
    expect(job.refusal(stale)).toBe('gone-on')
  })

  test('fit to drive while a check is unproved or failed, and anything but an addendum once filed', () => {
    const file = { type: 'filed', outcome: 'fit', doneBy: 'A', note: '', wasteMl: 300 } as const
    const job = aJob().bledToTheEnd()
    expect(job.refusal(file)).toBe('fit-not-proved')
    job.proved().do({ type: 'check-proved', check: 'joints-dry', passed: false, note: '' })
    expect(job.refusal(file)).toBe('fit-not-proved')
    job.proved().do(file)
    expect(job.refusal({ type: 'level-read', reservoir: 'res', ml: 1 })).toBe('job-filed')
    expect(job.do({ type: 'addendum', text: 'Bottle was 5 mL fuller.' }).state.addenda).toHaveLength(1)
  })

  test('a 30 s hold passed early or untimed; a failed one may be said at once', () => {
    const job = aJob().bledToTheEnd().proved('hold-firm')
    const hold = { type: 'check-proved', check: 'hold-firm', value: 0, note: '' } as const
    expect(job.refusal({ ...hold, passed: true })).toBe('not-timed')
    expect(job.refusal({ ...hold, passed: true, heldS: 29 })).toBe('too-soon')
    expect(job.refusal({ ...hold, passed: true, heldS: 30 })).toBeUndefined()
    expect(job.refusal({ ...hold, passed: false, heldS: 4 })).toBeUndefined()
  })
})

describe('a clock times one try:', () => {
  const started = { type: 'timer-started', timer: 'hold-firm' } as const
  const proving = () => aJob().bledToTheEnd().do(started)

  test('a hold that failed is timed anew', () => {
    const job = proving()
    job.do({ type: 'check-proved', check: 'hold-firm', value: 4, passed: false, heldS: 8, note: '' })
    expect(job.run.timers).toEqual({})
    expect(job.undo().run.timers).toHaveProperty('hold-firm')
  })

  test('something gone wrong, or parking, breaks it off', () => {
    const spilled = proving().trouble({ what: 'spilled', ml: 5, on: 'floor' })
    expect(spilled.run.timers).toEqual({})
    const why = { why: 'phone', standsOpen: [], machineOn: false, pedalPropped: false, note: '' }
    expect(proving().do({ type: 'parked', ...why }).run.timers).toEqual({})
  })
})

describe('at the bleeder', () => {
  test('the foot slipping with it open starts its count again, and the report says so', () => {
    const job = untilPress().call('press', 'holding', 'open', 'foot-slipped')
    expect(job.run.call).toBe('slipped')
    expect(job.point('rr')).toMatchObject({ airDrawn: 1, cleanStreak: 0, ml: 0 })
    expect(job.state.troubles.at(-1)).toMatchObject({ what: 'air-drawn', startAgain: ['rr'] })
  })

  test('after a slip, pulls to the next top-up still go by what a pull brought', () => {
    const job = untilPress()
    for (let i = 0; i < 4; i++)
      job.call('press', 'holding', 'open', 'close', 'release').do(look('new', 'none', 10))
    job.call('press', 'holding', 'open', 'foot-slipped', 'close').do(look('new', 'froth', 12))
    // Four of 10 and one of 12; the stroke that came back counts for none.
    expect(watchReservoirs(job.state)[0]?.perPullMl).toBeCloseTo(10.4, 0)
  })

  test('a pull with bubbles, or one that is not new, starts the clean count again', () => {
    const streakAfter = (...looks: ReturnType<typeof look>[]) => {
      const job = untilPress()
      for (const each of looks) job.call('press', 'holding', 'open', 'close', 'release').do(each)
      return job.point('rr')?.cleanStreak
    }
    expect(streakAfter(look(), look())).toBe(2)
    expect(streakAfter(look(), look('new', 'froth'))).toBe(0)
    expect(streakAfter(look(), look('brown'), look())).toBe(1)
  })

  test('what a pull brings leaves its own reservoir, and nobody else’s', () => {
    const job = untilPress()
    const before = job.run.levelMl.res ?? 0
    job.call('press', 'holding', 'open', 'close', 'release').do(look('new', 'none', 12))
    expect(job.run.levelMl).toEqual({ res: before - 12 })
    expect(job.run.bottleMl).toBe(12)
  })

  test('a level that does not fit what was counted is kept as a gap of that stage', () => {
    const job = untilPress()
    const before = job.run.levelMl.res ?? 0
    job.do({ type: 'level-read', reservoir: 'res', ml: before - 40 })
    expect(job.run.stages[1]?.tally.unaccountedMl).toBe(40)
    job.do({ type: 'topped-up', reservoir: 'res', ml: 40 + (400 - before) })
    expect(job.run.stages[1]?.tally).toMatchObject({ unaccountedMl: 40, inMl: 40 + (400 - before) })
  })
})

describe('undo', () => {
  test('of the last act gives the state before it, stays in the log, and never reaches past something newer', () => {
    const job = untilPress()
    const { run, length } = job.state
    job.call('press')
    const press = job.events.at(-1)?.id ?? ''
    job.undo()
    expect(job.run).toEqual(run)
    expect(job.state.length).toBe(length + 2)
    job.call('press', 'holding')
    expect(job.refusal({ type: 'undone', event: press })).toBe('nothing-to-undo')
  })

  test('the plate and the desk’s own acts cannot be taken back from the bay', () => {
    expect(aJob().state.undoable).toEqual([])
  })
})

test('bleeding again clears what was proved and opens every bleeder again', () => {
  const job = aJob().bledToTheEnd().proved()
  job.do({ type: 'bleed-again', why: 'soft' })
  expect(job.state.proofs).toEqual({})
  expect(stationOf(job.state)).toBe('bleed')
  expect(job.point('rr')).toMatchObject({ finished: false, pulls: 0 })
})
