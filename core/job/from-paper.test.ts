import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { applyEvent, replay } from './apply'
import type { EventOf, Unstamped } from './events'
import { bleedDone, pointsOnPaper, stationOf } from './selectors'
import { jobTally } from './tally'

const car = vehicleFrom(carFile(fourCorners))
const planned = () => ScriptedJob.planned(car, { reason: 'service' }, ['two-person'])

function card(job: ScriptedJob, change: Partial<Unstamped<EventOf<'paper-entered'>>> = {}) {
  const points = pointsOnPaper(job.state).map((at) => ({
    ...at,
    // As the plan wants it, rounded as one reads it off a bottle.
    ml: Math.ceil((job.run.stages[at.stage]?.stage.mlByBleeder?.[at.point] ?? 50) / 10) * 10,
    pulls: 7,
    colour: 'new' as const,
    bubbles: 'none' as const,
  }))
  return {
    type: 'paper-entered' as const,
    doneOn: '2026-05-03',
    doneBy: 'Osk Teller',
    points,
    inMl: 400,
    drawnMl: 130,
    spilledMl: 10,
    note: '',
    ...change,
  }
}

describe('a bleed done with the bay card in hand', () => {
  test('is entered once, stands at the proof with every bleeder done, and says that it came from paper', () => {
    const job = planned()
    job.do(card(job))
    expect(stationOf(job.state)).toBe('prove')
    expect(bleedDone(job.state)).toBe(true)
    expect(job.run.call).toBe('rest')
    expect(job.state.fromPaper).toMatchObject({ doneBy: 'Osk Teller', doneOn: '2026-05-03' })
    expect(pointsOnPaper(job.state)).toEqual([])
    const outMl = card(planned()).points.reduce((sum, { ml }) => sum + ml, 0)
    expect(jobTally(job.state)).toMatchObject({ outMl, inMl: 400, drawnMl: 130, spilledMl: 10 })
    expect(replay(job.events)).toEqual(job.state)
  })
  test('what the bay did before the card was taken up stays as it was', () => {
    const job = planned()
    job.until(({ run }) => Object.values(run.stages[1]?.at ?? {}).some(({ finished }) => finished))
    const [first] = Object.entries(job.run.stages[1]?.at ?? {}).filter(([, { finished }]) => finished)
    job.do(card(job))
    expect(job.run.stages[1]?.at[first?.[0] ?? '']).toEqual(first?.[1])
  })
  test.each([
    ['with bubbles', { bubbles: 'string' as const }, 'paper-not-clean'],
    ['still brown', { colour: 'brown' as const }, 'paper-not-clean'],
  ])('a bleeder that was left %s is not done by writing it down', (_, spoiled, code) => {
    const job = planned()
    const { points, ...rest } = card(job)
    const act = { ...rest, points: points.map((each, i) => (i === 2 ? { ...each, ...spoiled } : each)) }
    expect(applyEvent(job.state, job.event(act))).toMatchObject({ ok: false, refusal: { code } })
  })
  test('nothing in the bottle, too little of it, the wrong can, or the same card again are refused', () => {
    const job = planned()
    const refused = (change: (line: ReturnType<typeof card>['points'][number]) => object) =>
      job.refusal(card(job, { points: card(job).points.map((line) => ({ ...line, ...change(line) })) }))
    expect(refused(() => ({ ml: 0 }))).toBe('paper-too-little')
    expect(refused(({ ml }) => ({ ml: ml / 2 }))).toBe('paper-too-little')
    expect(refused(() => ({ pulls: 1 }))).toBe('paper-too-little')
    expect(job.refusal(card(job, { container: { spec: 'DOT 5', batch: 'X' } }))).toBe('paper-wrong-fluid')
    job.do(card(job))
    expect(job.refusal(card(job))).toBe('paper-entered-once')
  })
  test('a bleeder the card says nothing of, and a bleeder that stands open, are refused', () => {
    const job = planned()
    const { points, ...rest } = card(job)
    expect(applyEvent(job.state, job.event({ ...rest, points: points.slice(1) }))).toMatchObject({
      refusal: { code: 'paper-incomplete' },
    })
    job.until(({ run }) => run.call === 'open')
    expect(applyEvent(job.state, job.event(card(job)))).toMatchObject({
      refusal: { code: 'paper-under-way' },
    })
  })
})
