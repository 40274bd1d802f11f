import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { findings } from './findings'
import { lookFirst } from './looks'
import { runsOn } from './runs-on'
import { mayFlow, scaleAct } from './weighed'

const vehicle = vehicleFrom(carFile(fourCorners))
const planned = (method: string) => ScriptedJob.planned(vehicle, { reason: 'service' }, [method], 420)
const still = (ml: number) => ({ ml, isStill: true, begins: false })
const later = '2026-05-04T09:00:00.000Z'
const weigh = (job: ScriptedJob, ml: number) =>
  job.do({ type: 'bottle-weighed', ml, weighings: job.run.weighed?.times ?? 0 })

/** Looked at once, and a pull passed over after it. */
function passedOver() {
  const job = planned('two-person').until(({ run }) => run.lookDue && run.call === 'rest')
  job.do({ type: 'pull-seen', ml: 9, colour: 'dark', bubbles: 'none' })
  return job.until((now) => now.run.call === 'rest' && now.point('rr')?.unseen !== undefined)
}

describe('pulls that are passed over', () => {
  test('count as the scale told, not as those before brought, and the look after them speaks for the rest alone', () => {
    const job = passedOver()
    const levelMl = job.run.levelMl.res ?? 0
    const counted = job.point('rr')?.unseen?.ml ?? 0
    expect(counted).toBe(9)
    weigh(job, 7.4)
    expect(job.point('rr')).toMatchObject({
      ml: 16.4,
      unseen: { pulls: 1, ml: 0, weighed: 1 },
      weighedMl: 7.4,
    })
    expect(job.run.levelMl.res).toBeCloseTo(levelMl + counted - 7.4)
    expect(job.run.bottleMl).toBeCloseTo(16.4)
    job.do({ type: 'pull-seen', ml: 0, colour: 'dark', bubbles: 'none', weighed: true })
    expect(job.point('rr')).toMatchObject({ ml: 16.4, pulls: 2 })
    expect(job.point('rr')?.still).toBeUndefined()
  })
  test('are written down once, whichever of two screens has the scale', () => {
    const job = passedOver()
    const stale = { type: 'bottle-weighed', ml: 8, weighings: 0 } as const
    job.do(stale)
    expect(job.refusal(stale)).toBe('weighed-meanwhile')
    expect(scaleAct(job.state, still(0), later)).toBeUndefined()
  })
  test('are looked at as soon as one brought less than half of its stroke', () => {
    const job = passedOver()
    expect(lookFirst(job.state as never)).toBe(false)
    weigh(job, 1)
    expect(lookFirst(job.state as never)).toBe(true)
  })
  test('taken back, what was weighed of them goes too, and is weighed again', () => {
    const job = passedOver()
    const last = job.state.undoable.at(-1)?.eventId ?? ''
    weigh(job, 7.4)
    job.do({ type: 'undone', event: last })
    expect(job.run.weighed).toBeUndefined()
    expect(job.point('rr')?.weighedMl).toBeUndefined()
  })
})

describe('what the scale does by itself', () => {
  test('records a bleeder as open once fluid comes with the pedal held, and never closes one', () => {
    const job = planned('two-person').until(({ run }) => run.call === 'holding')
    expect(mayFlow(job.state)).toBe(true)
    expect(scaleAct(job.state, still(0), later)).toBeUndefined()
    const act = scaleAct(job.state, { ml: 2, isStill: false, begins: true }, later)
    expect(act).toMatchObject({ type: 'call', act: 'open' })
    if (act) job.do(act)
    expect(job.run.call).toBe('open')
    expect(scaleAct(job.state, still(9), later)).toBeUndefined()
  })
  test('does not while nobody holds the pedal, nor while something stands open', () => {
    const begins = { ml: 2, isStill: false, begins: true }
    const pressing = planned('two-person').until(({ run }) => run.call === 'pressing')
    expect(mayFlow(pressing.state)).toBe(false)
    expect(scaleAct(pressing.state, begins, later)).toBeUndefined()
  })
  test('waits for the weight to stand still before it writes down what a pull brought', () => {
    const job = passedOver()
    expect(scaleAct(job.state, { ml: 8, isStill: false, begins: false }, later)).toBeUndefined()
    expect(scaleAct(job.state, still(8), later)).toMatchObject({ type: 'bottle-weighed', ml: 8 })
  })
})

describe('at a bleeder that is left open', () => {
  const open = () => planned('pressure').until(({ run }) => run.callAt === 'rr' && run.call === 'open')
  test('the mark to look at does not run away from what was weighed', () => {
    const job = open()
    const first = runsOn(job.state)?.ml ?? 0
    weigh(job.wait(5), 5)
    expect(runsOn(job.state)?.ml).toBeCloseTo(first - 5)
    weigh(job.wait(5), first)
    expect(runsOn(job.state)?.ml).toBe(0)
  })
  test('a closed hose is told within a minute, and nobody tapped an amount', () => {
    const job = open()
    for (let s = 0; s < 45; s += 15) weigh(job.wait(15), 3)
    expect(findings(job.state).map(({ code }) => code)).toContain('flow-slow')
  })
  test('several bottles on one scale tell nothing of any', () => {
    const job = planned('gravity').until(({ run }) => (run.hung ?? []).length > 0)
    expect(job.refusal({ type: 'bottle-weighed', ml: 9, weighings: 0 })).toBe('nothing-to-weigh')
  })
})
