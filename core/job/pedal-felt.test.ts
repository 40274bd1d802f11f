import { describe, expect, test } from 'vitest'
import { recordDocument } from '~/record/document'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { metricUnits } from '../units/units'
import { sayMetric } from '../words'
import { pedalChange, softMl } from './pedal-felt'

const car = vehicleFrom(carFile(fourCorners))
const felt = (biteMm: number, firmMm: number, bottomMm: number, sinkMm?: number) => ({
  type: 'pedal-felt' as const,
  biteMm,
  firmMm,
  bottomMm,
  sinkMm,
})
const planned = () => ScriptedJob.planned(car, { reason: 'service' }, ['two-person'], 300)
const codes = (before: ReturnType<typeof felt>, after: ReturnType<typeof felt>) =>
  pedalChange(before, after).map(({ code }) => code)

describe('the pedal by hand and rule', () => {
  test('is kept with whether the bleed was done, and is on the certificate before and after', () => {
    const job = planned()
      .do(felt(20, 70, 90))
      .bledToTheEnd()
      .do(felt(15, 30, 60))
    expect(job.state.pedal?.map(({ bled }) => bled)).toEqual([false, true])
    const { certificate } = recordDocument(job.state, {
      say: sayMetric,
      units: metricUnits,
      poured: [],
      money: '',
    })
    expect(certificate.measured).toContainEqual({
      what: 'Pedal travel until it is firm',
      before: '70 mm',
      after: '30 mm',
    })
  })
  test('bites before it is firm and ends last; nobody presses it while a joint is open', () => {
    expect(planned().refusal(felt(70, 20, 90))).toBe('pedal-not-in-order')
    const open = planned().until(({ run }) => run.call === 'open')
    expect(open.refusal(felt(20, 70, 90))).toBe('pedal-not-now')
  })
  test('what a rule can tell is said, and what it cannot is said to be so', () => {
    expect(codes(felt(20, 70, 90, 6), felt(20.5, 40, 70, 0))).toEqual([
      'pedal-soft-less',
      'pedal-bite-same',
      'pedal-sink-less',
    ])
    expect(codes(felt(20, 40, 70), felt(30, 80, 90))).toEqual(['pedal-soft-more', 'pedal-bite-more'])
  })
  test('40 mm of soft travel at 4 : 1 behind a 20 mm bore is 3.1 mL (geometry)', () => {
    expect(softMl(car, felt(20, 60, 80))).toBeCloseTo((Math.PI / 4) * 20 ** 2 * 0.01, 9)
  })
})
