import { describe, expect, test } from 'vitest'
import { begun, march } from '~test/reference/march'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { findings } from './findings'
import { moreThanPlannedMl, planNow } from './selectors'

const vehicle = vehicleFrom(carFile(fourCorners))
const order = ['rr', 'rl', 'fr', 'fl']

/** At the draw, with the reservoir at MAX. */
const atDraw = () => {
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['pressure'], 400)
  return job.do({ type: 'step-done', step: 'cover' })
}
/** Drawn by so much, then everything as told until the first bleeder. */
const drawn = (ml: number, then: (job: ScriptedJob) => unknown = () => undefined) => {
  const job = atDraw().do({ type: 'step-done', step: 'draw', ml })
  then(job)
  return job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed')
}
const amountsOf = ({ run }: ScriptedJob) =>
  run.stages.find(({ stage }) => stage.kind === 'bleed')?.stage.mlByBleeder ?? {}
const plan = atDraw().state.planned?.plan

test('more drawn than the reservoir held by count: it held more, and that much was found', () => {
  const { run } = atDraw().do({ type: 'step-done', step: 'draw', ml: 430 })
  expect(run.levelMl.res).toBe(0)
  expect(run.stages[run.stageIndex]?.tally).toMatchObject({ drawnMl: 430, unaccountedMl: -30 })
})

describe('the draw that was really made decides what has to leave the bleeders', () => {
  test('drawn as planned, the planned amounts stand and nothing is recorded', () => {
    const job = drawn(360)
    expect(amountsOf(job)).toEqual(plan?.fluid.perBleederMl)
    expect(job.events.filter((event) => 'amounts' in event)).toEqual([])
  })

  test.each([100, 200, 300, 340])(
    '%i mL drawn instead of 360: the target is still reached, step by step',
    (ml) => {
      const job = drawn(ml)
      const left = 400 - ml
      // What the careful technician poured as the rinse and drew again is on record.
      const rinseMl = plan?.fluid.rinseMl.res ?? 0
      const at = begun(400, 250, 40, 0)
      at.oldMl = (left / (left + rinseMl)) * 40
      for (const id of order) {
        const throughMl = amountsOf(job)[id] ?? 0
        const { outlet } = march(at, plan?.fluid.passageMl[id] ?? 0, true, (moved) => moved >= throughMl)
        expect(100 * outlet).toBeLessThanOrEqual(5 * 1.02)
      }
      expect(moreThanPlannedMl(job.state)).toBeGreaterThan(0)
      expect(planNow(job.state)?.fluid.perBleederMl).toEqual(amountsOf(job))
    },
  )

  test('a level seen after the draw counts, whatever was written down as drawn', () => {
    const seen = drawn(360, (job) => job.do({ type: 'level-read', reservoir: 'res', ml: 140 }))
    expect(moreThanPlannedMl(seen.state)).toBeGreaterThan(20)
    expect(amountsOf(seen)).toEqual(amountsOf(drawn(260)))
  })

  test('much left in is said before the first pull, with what it costs', () => {
    const short = drawn(60)
    expect(findings(short.state)[0]?.code).toBe('drawn-short')
    expect(findings(short.state)[0]?.params?.moreMl).toBe(moreThanPlannedMl(short.state))
    expect(findings(drawn(350).state)).toEqual([])
  })

  test('it is drawn once more, as far as it goes: the bleeders take no more than planned, until something has moved', () => {
    const again = { type: 'drawn-again', reservoir: 'res' } as const
    const job = drawn(60)
    expect(findings(job.state)[0]?.mends?.act).toEqual(again)
    job.do(again).do({ type: 'step-done', step: 'draw', ml: 360 })
    job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed')
    expect(moreThanPlannedMl(job.state)).toBeLessThanOrEqual(0)
    expect(job.replayed().run).toEqual(job.state.run)
    job.until(({ run }) => run.call === 'open').call('close')
    expect(job.refusal(again)).toBe('reservoir-taken')
    const byFoot = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 400)
    expect(byFoot.refusal(again)).toBe('not-drawn-yet')
    byFoot.until((now) => (now.point('rr')?.pulls ?? 0) > 0)
    byFoot.until(({ run }) => run.call === 'rest' && !run.lookDue)
    expect(byFoot.refusal(again)).toBe('too-late-to-draw')
  })

  test('a conversion fills, empties and fills again: what is drawn in between is new, and the amounts stand', () => {
    const work = { reason: 'conversion', fluidFound: 'DOT 5' }
    const job = ScriptedJob.planned(vehicle, work, ['pressure'], 400)
    job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed')
    expect(amountsOf(job)).toEqual(job.state.planned?.plan.fluid.perBleederMl)
    expect(moreThanPlannedMl(job.state)).toBe(0)
  })

  test('what was worked out is stored and replayed; a screen cannot send amounts of its own', () => {
    const job = drawn(100)
    expect(job.replayed().run).toEqual(job.state.run)
    const sent = atDraw().do({ type: 'step-done', step: 'draw', ml: 360, amounts: { rr: 1 } })
    expect(sent.events.at(-1)).not.toHaveProperty('amounts')
    expect(amountsOf(sent)).toEqual(plan?.fluid.perBleederMl)
  })
})
