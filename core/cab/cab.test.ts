import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { planCases } from '~test/plan-cases'
import { planOf } from '~test/plan-cases/plan-of'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { randomAct } from '~test/worlds/random-acts'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { applyEvent } from '../job/apply'
import { openPoint } from '../job/points'
import type { RunState } from '../job/state'
import { currentStep } from '../job/steps'
import { techniqueOf } from '../technique'
import { callStep } from '../technique/calls'
import { examples } from '../vehicle/examples'
import { cabLanguageFor, cabLanguageIds, cabLanguages } from '../words/cab'
import { confirmIn, meaningIn } from '../words/cab/language'
import { cabTasks } from '../words/cab/told'
import { cabCodeFrom, readCabCode } from './code'
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
      ['hold', 'near-bottom'],
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

describe('the words under PRESS agree with the plan', () => {
  /** The cab's view when the first press is called. */
  const pressed = (vehicleName: 'post-van-lhd' | 'courier-motorcycle', work: object, methods: string[]) => {
    const job = ScriptedJob.planned(demoVehicle(vehicleName), work, methods)
    return cabView(
      job.until(({ run }) => run.call === 'pressing' && run.stages[run.stageIndex]?.stage.kind === 'bleed')
        .state,
    )
  }
  const means = (view: ReturnType<typeof cabView>) => meaningIn(cabLanguages.en, view)

  test('pump and hold: so many pumps first, and an old cylinder never to the floor', () => {
    const view = pressed('post-van-lhd', { reason: 'service' }, ['two-person'])
    expect(view).toMatchObject({ pedal: 'brake', pumps: 4, stroke: 'near-bottom' })
    expect(means(view)).toBe('Pump 4 times, then hold. Slowly, not to the floor.')
  })

  test('a new cylinder goes all the way; pressed through it is not pumped', () => {
    const ways = [{ technique: 'press-through', why: 'calm' }]
    const view = pressed('post-van-lhd', { reason: 'repair', replaced: ['cylinder'], ways }, [
      'two-person',
      'bench',
    ])
    expect(view).toMatchObject({ pumps: 0, stroke: 'all-the-way' })
    expect(means(view)).toBe('Slowly, all the way down.')
  })

  test('a motorcycle’s front is pressed by its hand lever, its rear by its foot lever', () => {
    const job = ScriptedJob.planned(demoVehicle('courier-motorcycle'), { reason: 'service' }, ['two-person'])
    const at = (point: string) =>
      cabView(job.until(({ run }) => run.callAt === point && run.call === 'pressing').state).pedal
    expect([at('F'), at('R')]).toEqual(['lever', 'foot-lever'])
  })

  test('the clutch’s bleeder is pressed by the clutch pedal', () => {
    const file = structuredClone(examples['smithy-roadster']?.file)
    const car = vehicleFrom(file)
    const job = ScriptedJob.planned(car, { reason: 'service' }, ['two-person'])
    const view = cabView(job.until(({ run }) => run.callAt === 'CL' && run.call === 'pressing').state)
    expect(view.pedal).toBe('clutch')
    expect(means(view)).toMatch(/^Clutch pedal\. /)
  })
})

describe('near the bottom', () => {
  const open = () =>
    ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, ['two-person']).until(
      ({ run }) => run.call === 'open',
    )

  test('is the cab’s to say while a bleeder stands open; it holds on, and the wheel is told to close', () => {
    const job = open()
    expect(cabView(job.state)).toMatchObject({ says: 'hold', confirm: 'near-bottom' })
    job.call('near-bottom')
    expect(cabView(job.state)).toMatchObject({ says: 'hold', wheel: 'closing', maySlip: true })
    expect(cabView(job.state).confirm).toBeUndefined()
    expect(callStep(techniqueOf('pump-and-hold').call, job.run.call)?.does).toBe('close-near-bottom')
    expect(cabView(job.call('close').state).says).toBe('release')
  })

  test('after pumping the cab says that it went hard', () => {
    const view = cabView(open().state)
    expect(confirmIn(cabLanguages.en, 'holding', view.pumps)).toBe('It is hard, I hold')
    expect(confirmIn(cabLanguages.en, 'holding', 0)).toBe('It is down, I hold')
  })
})

describe('what the bay gives to the cab, the phone shows', () => {
  test('every step that somebody in the cab does has its words on the phone, in every language (all worked plans)', () => {
    const codes = new Set(
      Object.values(planCases)
        .flat()
        .flatMap((each) => planOf(each).stages)
        .flatMap(({ before, after }) => [...before, ...after])
        .filter(({ who }) => who === 'cab')
        .map(({ code }) => code),
    )
    expect([...codes].sort()).toEqual([...cabTasks].sort())
    for (const id of cabLanguageIds)
      for (const task of cabTasks) expect(cabLanguages[id].tasks[task].length).toBeGreaterThan(10)
  })

  test('the tool says stop: the foot stays down until the wheel has closed, whoever heard it first', () => {
    const van = vehicleFrom(structuredClone(examples['electric-post-van']?.file))
    const job = ScriptedJob.planned(
      van,
      { reason: 'repair', replaced: ['unit'] },
      ['two-person', 'control-unit'],
      300,
    )
    job.until(
      ({ run }) =>
        run.stages[run.stageIndex]?.stage.technique === 'wheel-by-wheel-pumped' && run.call === 'open',
    )
    const says = [cabView(job.state)]
    for (const act of ['tool-stops', 'close', 'release'] as const) says.push(cabView(job.call(act).state))
    expect(says.map((each) => [each.says, each.confirm])).toEqual([
      ['pump', 'tool-stops'],
      ['hold', undefined],
      ['release', 'release'],
      ['wait', undefined],
    ])
  })

  test('a foot that is down for a cycle is told to hold until its own step lets it up', () => {
    const van = vehicleFrom(structuredClone(examples['parcel-van']?.file))
    const job = ScriptedJob.planned(
      van,
      { reason: 'repair', replaced: ['unit'] },
      ['two-person', 'control-unit'],
      300,
    )
    const stepIs = (code: string) =>
      job.until(({ state, run }) => currentStep({ run, standing: state.standing })?.step.code === code)
    expect(cabView(stepIs('procedure-foot-hold').state)).toMatchObject({
      says: 'do',
      task: 'procedure-foot-hold',
    })
    job.do({ type: 'step-done', step: currentStep(job.state as never)?.step.id ?? '' })
    expect(cabView(job.state).says).toBe('hold')
    expect(cabView(stepIs('procedure-foot-release').state).says).toBe('release')
  })

  test('“press until the booster is used up” in the bay is never “do nothing” on the phone', () => {
    const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, ['two-person'])
    job.until(({ state }) => currentStep({ ...state, run: state.run as RunState })?.step.code === 'booster')
    const view = cabView(job.state)
    expect([view.says, view.task]).toEqual(['do', 'booster'])
    expect(meaningIn(cabLanguages.en, view)).toMatch(/Engine off/)
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
  const { en, ar } = cabLanguages
  expect([en.dir, ar.dir]).toEqual(['ltr', 'rtl'])
  // Nobody who speaks them has read the others through, and each says so in its own words.
  for (const id of cabLanguageIds) expect('unchecked' in cabLanguages[id]).toBe(id !== 'en')
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
