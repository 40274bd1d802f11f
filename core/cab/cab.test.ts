import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { randomAct } from '~test/worlds/random-acts'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { applyEvent } from '../job/apply'
import { openPoint } from '../job/points'
import { afterWrong, isLocked, MOST_WRONG, noAttempts } from './attempts'
import { cabCodeFrom, readCabCode } from './code'
import { cabLanguageFor, cabLanguageIds, cabLanguages } from './languages'
import { cabView } from './view'

const vehicle = vehicleFrom(carFile(fourCorners.slice(2)))
const planned = (methods = ['two-person'], work: object = {}) =>
  ScriptedJob.planned(vehicle, { reason: 'service', ...work }, methods, 300)

describe('what the cab is shown', () => {
  test('through one pull: wait, press, hold, hold while it is open, release, wait', () => {
    const job = planned().until(
      ({ run, state }) =>
        cabView(state).says === 'wait' &&
        run.call === 'rest' &&
        run.callAt === undefined &&
        Object.values(run.stages[run.stageIndex]?.at ?? {}).some(({ ready }) => ready),
    )
    const says = [cabView(job.state)]
    for (const act of ['press', 'holding', 'open', 'close', 'release'] as const) {
      job.call(act)
      says.push(cabView(job.state))
    }
    expect(says.map((each) => [each.says, each.confirm])).toEqual([
      ['wait', undefined],
      ['press', 'holding'],
      ['hold', undefined],
      ['hold', undefined],
      ['release', 'release'],
      ['wait', undefined],
    ])
    expect(says[3]).toMatchObject({ wheel: 'open', maySlip: true })
  })

  test('is nothing where the method has no part for it, and done once the job is filed', () => {
    expect(cabView(planned(['pressure']).state).says).toBe('away')
    // A unit's routine may ask for the pedal: the foot stays ready.
    const unit = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'repair', replaced: ['unit'] }, [
      'two-person',
      'control-unit',
    ]).until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'control-unit')
    expect(cabView(unit.state).says).toBe('wait')
    const job = planned()
    job.do({ type: 'filed', outcome: 'not-fit', doneBy: 'Una', note: '', wasteMl: 0 })
    expect(cabView(job.state)).toMatchObject({ says: 'ended', maySlip: false })
  })

  test('never says release, and offers no letting go, while a bleeder is recorded open, over 20 000 random events', () => {
    const chance = new Chance(8)
    let opens = 0
    for (let round = 0; round < 400; round++) {
      let state = planned(
        ['two-person'],
        round % 2 ? { ways: [{ technique: 'press-through', why: 'slow' }] } : {},
      ).state
      const job = new ScriptedJob()
      for (let step = 0; step < 50; step++) {
        const applied = applyEvent(state, {
          ...job.event(randomAct(state, chance)),
          id: `cab-test-${round}-${step}`.padEnd(16, '-'),
        })
        if (applied.ok) state = applied.state
        const view = cabView(state)
        if (!state.run || openPoint(state.run) === undefined) continue
        opens++
        expect(view.says).not.toBe('release')
        expect(view.confirm).not.toBe('release')
      }
    }
    expect(opens).toBeGreaterThan(100)
  })
})

test('every language has a word for everything, and no two calls share one', () => {
  for (const id of cabLanguageIds) {
    const { says, confirms, wheel, means } = cabLanguages[id]
    expect(new Set(Object.values(says)).size).toBe(Object.keys(says).length)
    for (const word of Object.values({ ...confirms, ...wheel, ...means }))
      expect(word.length).toBeGreaterThan(3)
    for (const word of Object.values(says)) expect(word.length).toBeLessThanOrEqual(9)
  }
  expect(cabLanguageFor('fr-FR,de-CH;q=0.8,en;q=0.5')).toBe('de')
  expect(cabLanguageFor('fr')).toBe('en')
})

test('a code is read as it is called across a shop, and anything else is none', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(70_000), { minLength: 6, maxLength: 6 }), (numbers) => {
      const code = cabCodeFrom(numbers)
      expect(readCabCode(` ${code.slice(0, 3).toLowerCase()} ${code.slice(3)} `)).toBe(code)
    }),
  )
  for (const none of ['', 'ABC', 'ABCDEFG', 'ABCDE0', 'ABCDEI']) expect(readCabCode(none)).toBeUndefined()
})

test('the fifth wrong code locks for five minutes, and not a moment more', () => {
  let attempts = noAttempts
  for (let i = 0; i < MOST_WRONG - 1; i++) attempts = afterWrong(attempts, 1000)
  expect(isLocked(attempts, 1000)).toBe(false)
  attempts = afterWrong(attempts, 1000)
  expect(isLocked(attempts, 1000 + 299_999)).toBe(true)
  expect(isLocked(attempts, 1000 + 300_000)).toBe(false)
})
