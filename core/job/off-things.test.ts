import { expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { carefulAct } from './careful'
import { currentStep } from './steps'

const van = vehicleFrom(structuredClone(examples['parcel-van']?.file))
const begun = () => ScriptedJob.planned(van, { reason: 'service' }, ['two-person'], 300)
const away = { to: 'Repair bench, harbour', backOn: '2026-05-20' }
const off = { type: 'taken-off', thing: 'unit', where: 'left wing', away } as const

test('a part that leaves the hydraulics open goes only with its ports capped and every joint shut', () => {
  expect(begun().refusal(off)).toBe('ports-not-capped')
  expect(begun().refusal({ ...off, capped: true })).toBeUndefined()
  const open = begun().until(({ run }) => run.call === 'open')
  expect(open.refusal({ ...off, capped: true })).toBe('off-while-open')
  // A sensor or a bracket may come off whenever it must.
  expect(open.refusal({ type: 'taken-off', thing: 'sensor', where: '' })).toBeUndefined()
})

test('while it is away nothing is pressed, filled or bled; parked and taken up it goes on once it is back', () => {
  const job = begun().until(({ run }) => run.stageIndex > 0)
  const next = carefulAct(job.state)
  job.do({ ...off, capped: true })
  if (!next) throw new Error('there is something to do')
  expect(job.refusal(next)).toBe('part-is-off')
  job.do({
    type: 'parked',
    why: 'unit away',
    standsOpen: [],
    machineOn: false,
    pedalPropped: false,
    note: '',
  })
  job.do({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '' })
  expect(job.refusal(next)).toBe('part-is-off')
  job.do({ type: 'put-back', off: job.state.offThings?.[0]?.id ?? '' })
  expect(job.refusal(next)).toBeUndefined()
})

test('what breaks open meanwhile is shut and renewed all the same: closing is always right', () => {
  const job = begun().until(({ state }) => carefulAct(state)?.type === 'point-finished')
  const point = job.run.stages[job.run.stageIndex]?.points[0] ?? ''
  job.do({ ...off, capped: true }).trouble({ what: 'snapped', point })
  const shuts = currentStep({ run: job.run, standing: job.state.standing })?.step.id ?? ''
  expect(job.refusal({ type: 'step-done', step: shuts })).toBeUndefined()
})
