import { describe, expect, test } from 'vitest'
import { osk, ScriptedJob, una } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { partsOf } from '../vehicle/parts'
import { levelFirst } from './levels'
import { openPoints } from './points'
import { currentStep } from './steps'

const vehicle = vehicleFrom(carFile(fourCorners.slice(2)))
const ready = (method = 'two-person') =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, [method], 300).until(({ run }) =>
    Boolean(run.stages[1]?.at.rr?.ready),
  )
const left = (more: object = {}) =>
  ({
    type: 'parked',
    why: 'shift ends',
    standsOpen: [] as string[],
    machineOn: false,
    pedalPropped: false,
    note: '',
    ...more,
  }) as const
const back = (more: object = {}) =>
  ({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '', ...more }) as const

describe('parking', () => {
  test('names what stands open, and never leaves an open bleeder to a foot that goes away', () => {
    const job = ready().call('press', 'holding', 'open')
    expect(job.refusal(left())).toBe('open-not-named')
    expect(job.refusal(left({ standsOpen: ['rr'] }))).toBe('pedal-would-rise')
    expect(job.refusal(left({ standsOpen: ['rr'], pedalPropped: true }))).toBeUndefined()
  })

  test('pressed through, a foot on the pedal holds an open bleeder from the press on; before it nobody is there', () => {
    const work = { reason: 'service', ways: [{ technique: 'press-through', why: 'slow strokes' }] }
    const job = ScriptedJob.planned(vehicle, work, ['two-person'], 300).until(({ run }) =>
      Boolean(run.stages[1]?.at.rr?.ready),
    )
    const open = left({ standsOpen: ['rr'] })
    expect(job.call('open').refusal(open)).toBeUndefined()
    expect(job.call('press').refusal(open)).toBe('pedal-would-rise')
    expect(job.call('holding').refusal(open)).toBe('pedal-would-rise')
  })

  test('with the bleeder closed lets the foot come up: the pull is called anew', () => {
    const job = ready().call('press', 'holding').do(left())
    expect(job.run.call).toBe('rest')
  })

  test('stops everything but confirming how it stands, on every screen', () => {
    const job = ready().do(left())
    expect(job.refusal(job.callOf('press'))).toBe('job-parked')
    expect(job.refusal({ type: 'topped-up', reservoir: 'res', ml: 10 })).toBe('job-parked')
    expect(job.refusal(left())).toBe('job-parked')
    const parking = job.events.at(-1)?.id ?? ''
    expect(job.refusal({ type: 'undone', event: parking })).toBe('job-parked')
  })

  test('a machine’s bleeder may stand open overnight with its pressure named', () => {
    const job = ready('pressure')
      .call('open')
      .do(left({ standsOpen: ['rr'], machineOn: true }))
    expect(job.do(back()).run.call).toBe('open')
  })
})

describe('taken up again', () => {
  test('by somebody else: both are named, who left it and who goes on', () => {
    const job = ready().do(left())
    job.by = osk
    job.do(back())
    expect(job.state.parkings[0]).toMatchObject({ parked: { by: una }, resumed: { by: osk } })
    expect(job.state.people).toEqual([una, osk])
  })

  test('as left: the levels are still known; otherwise what was found is said and they are read anew', () => {
    const job = ready().do(left())
    expect(job.refusal(back({ asLeft: false }))).toBe('found-missing')
    expect(ready().do(left()).do(back()).run.levelMl.res).toBeGreaterThan(0)
    job.do(back({ asLeft: false, found: 'somebody topped it up' }))
    expect(job.refusal(job.callOf('press'))).toBe('level-unknown')
  })

  test('with the propped pedal up and the bleeder open: air was drawn in, its count starts again', () => {
    const job = ready().call('press', 'holding', 'open')
    job.do(left({ standsOpen: ['rr'], pedalPropped: true })).do(back({ pedalCameUp: true }))
    expect(job.run.call).toBe('slipped')
    expect(job.point('rr')).toMatchObject({ airDrawn: 1, ml: 0 })
  })
})

describe('a lever tied overnight', () => {
  const bike = vehicleFrom(structuredClone(examples['courier-twin-disc']?.file ?? {}))
  const begun = () =>
    ScriptedJob.planned(bike, { reason: 'service' }, ['two-person'], 80).until(
      ({ run }) => run.call === 'rest' && run.stages[run.stageIndex]?.at.FL?.ready === true,
    )
  const lever = partsOf(bike, 'master-cylinder').find(({ actuator }) => actuator === 'lever')
  const tied = left({ leverTied: true })

  test('asks for a lever, and for every joint shut: it would press the reservoir out of an open one', () => {
    expect(ready().refusal(tied)).toBe('no-lever')
    const open = begun().until(({ run }) => run.call === 'open')
    const named = [...openPoints(open.run)]
    expect(open.refusal(left({ leverTied: true, pedalPropped: true, standsOpen: named }))).toBe(
      'tied-while-open',
    )
    expect(begun().refusal(tied)).toBeUndefined()
  })

  test('stands until it is untied by a step of its own, and its reservoir is looked at in the morning', () => {
    const job = begun().do(tied).do(back())
    expect(job.state.standing.up).toContain('lever-tied')
    expect(job.run.levelMl[lever?.fedBy ?? '']).toBeUndefined()
    expect(job.refusal(job.callOf('press'))).toBe('step-first')
    expect(currentStep(job.state as never)?.step.code).toBe('lever-untied')
    job.do({ type: 'put-away', thing: 'lever-tied' })
    expect(job.state.standing.up).not.toContain('lever-tied')
    expect(levelFirst(job.state)).toBe(lever?.fedBy)
    job.bledToTheEnd().proved()
  })

  test('is not left out by a box that nobody ticked', () => {
    expect(begun().do(tied).do(back()).refusal(left())).toBe('tied-not-named')
  })
})
