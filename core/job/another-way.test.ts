import { expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { stepFact } from '../technique/step'
import { examples } from '../vehicle/examples'
import { sayMetric } from '../words'
import { otherWays } from './another-way'
import { carefulAct } from './careful'
import { bleedDone } from './selectors'

const vehicle = vehicleFrom(carFile(fourCorners))
const twoPerson = () =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person', 'solo', 'pressure', 'gravity'], 380)
const taken = { type: 'way-changed', alone: true, why: 'the helper was called away' } as const

/** Led by the cab until one bleeder is done and the next has had a pull. */
function halfWay() {
  const job = twoPerson()
  const first = () => job.run.stages[job.run.stageIndex]?.points[0] ?? ''
  if (job.run.stages.some(({ stage }) => stage.technique !== 'pump-and-hold' && stage.kind === 'bleed')) {
    while (job.run.stages[job.run.stageIndex]?.stage.kind !== 'bleed') job.do(carefulAct(job.state) as never)
    job.do({ type: 'way-changed', technique: 'pump-and-hold', alone: false, why: 'a helper is there' })
  }
  job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed' && run.call === 'rest')
  job.until(
    ({ run }) =>
      job.point(first())?.finished === true &&
      run.callAt === undefined &&
      (job.point(second(job))?.pulls ?? 0) > 0,
  )
  return job
}
const second = (job: ScriptedJob) => job.run.stages[job.run.stageIndex]?.points[1] ?? ''

test('nobody in the cab: the ways that need a helper are closed with why, the others are open', () => {
  const { open, closed } = otherWays(halfWay().state, false)
  expect(open.map(({ technique }) => technique.id)).toContain('check-valve')
  expect(open.every(({ technique }) => !technique.needsHelper)).toBe(true)
  expect(closed.find(({ technique }) => technique.id === 'press-through')?.why.code).toBe('nobody-to-help')
})

test('alone from here on: what is finished stays, what went through counts, the rest is prepared anew and led without a cab', () => {
  const job = halfWay()
  const before = job.point(second(job))
  job.do({ ...taken, technique: 'check-valve' })
  const stageRun = job.run.stages[job.run.stageIndex]
  expect(stageRun?.stage).toMatchObject({ technique: 'check-valve', method: 'solo' })
  expect(job.point(stageRun?.points[0] ?? '')?.finished).toBe(true)
  expect(job.point(second(job))).toMatchObject({ ml: before?.ml, pulls: before?.pulls, ready: false })
  expect(job.state.troubles.at(-1)?.says.params?.why).toContain('the helper was called away')
  job.bledToTheEnd()
  expect(bleedDone(job.state)).toBe(true)
})

test('the way that was asked for by hand at the desk does not stand in the way of another', () => {
  const ways = [{ technique: 'press-through', why: 'slow' }]
  const job = ScriptedJob.planned(vehicle, { reason: 'service', ways }, ['two-person', 'solo'], 380)
  job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed')
  expect(otherWays(job.state, false).open.map(({ technique }) => technique.id)).toContain('check-valve')
  job.do({ ...taken, technique: 'check-valve' }).bledToTheEnd()
})

test('not with a bleeder open, nor by a way that this vehicle or shop forbids', () => {
  const job = halfWay()
  expect(job.refusal({ ...taken, technique: 'press-through' })).toBe('way-closed')
  expect(job.refusal({ ...taken, technique: 'vacuum' })).toBe('way-closed')
  expect(job.refusal({ ...taken, technique: 'bench-kit' })).toBe('same-way')
  job.until(({ run }) => run.call === 'open')
  expect(job.refusal({ ...taken, technique: 'check-valve' })).toBe('close-and-look-first')
})

test('a machine that stands under pressure is let off before anything else is done', () => {
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['pressure', 'gravity'], 380)
  job.until(({ run }) => run.stages[run.stageIndex]?.at.rr?.ready === true)
  job.do({ ...taken, technique: 'gravity', alone: false })
  const [mend] = job.run.mends
  expect(mend?.steps.map((step) => sayMetric(stepFact(step))).join(' ')).toMatch(/pressure/i)
})

test('taken back, the way before stands again', () => {
  const job = halfWay()
  const before = job.state.planned
  job.do({ ...taken, technique: 'check-valve' })
  job.do({ type: 'undone', event: job.state.undoable.at(-1)?.eventId ?? '' })
  expect(job.state.planned).toEqual(before)
  expect(job.run.stages[job.run.stageIndex]?.stage.technique).toBe('pump-and-hold')
})

test('in a plan of several rounds the axle is loaded once, and unloaded after the last', () => {
  const job = ScriptedJob.planned(
    vehicleFrom(structuredClone(examples['parcel-van']?.file)),
    { reason: 'repair', replaced: ['unit'] },
    ['two-person', 'control-unit', 'pressure', 'vacuum'],
    300,
  )
  job.until(({ run }) => run.call === 'open').until(({ run }) => run.call === 'rest' && !run.lookDue)
  job.do({ ...taken, technique: 'vacuum', alone: false }).bledToTheEnd()
  const done = job.events.flatMap((event) => (event.type === 'step-done' ? event.step : []))
  expect(done.filter((step) => step.endsWith('load-axle'))).toEqual(['load-axle', 'unload-axle'])
  expect(job.state.standing.up).toEqual([])
})
