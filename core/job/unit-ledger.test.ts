import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { currentStep } from './steps'
import { FIRM_KPA, PEDAL_DEEPER_MM, REST_KPA, type UnitReading } from './unit-ledger'

const van = vehicleFrom(structuredClone(examples['parcel-van']?.file))
const unit = van.parts.find(({ type }) => type === 'control-unit')?.id ?? ''
const begun = () =>
  ScriptedJob.planned(van, { reason: 'repair', replaced: [unit] }, ['two-person', 'control-unit'], 300)
const fitted = { oldNumber: 'CU 70-114', newNumber: 'cu70114', origin: 'used', faces: 'clean' } as const
const sound: UnitReading = { from: 'aloud', codes: [], calibration: 'done', restKPa: 0, pressedKPa: 6000 }

describe('a control unit that was replaced', () => {
  /** Up to the step that plugs it in. */
  const atPower = () =>
    begun().until(
      ({ state, run }) => currentStep({ run, standing: state.standing })?.step.id === 'power-unit',
    )
  const power = { type: 'step-done', step: 'power-unit' } as const

  test('is not powered before both numbers are written down', () => {
    const job = atPower()
    expect(job.refusal(power)).toBe('unit-not-identified')
    expect(job.do({ type: 'unit-fitted', unit, fitted }).refusal(power)).toBeUndefined()
  })

  test.each([
    [{ newNumber: 'CU 70-115' }, 'unit-numbers-differ'],
    [{ newNumber: 'CU 70-115', makersWord: '115 replaces 114, bulletin 12' }, undefined],
    [{ faces: 'damaged' as const }, 'unit-faces-damaged'],
  ])('%o: %s', (more, refusal) => {
    const job = atPower().do({ type: 'unit-fitted', unit, fitted: { ...fitted, ...more } })
    expect(job.refusal(power)).toBe(refusal)
  })
})

describe('the proof that a unit is sound', () => {
  const bled = () => begun().bledToTheEnd()
  const proves = { type: 'check-proved', check: 'units-sound', passed: true, note: '' } as const
  const reads = (reading: UnitReading) => ({ type: 'unit-read', unit, when: 'after', reading }) as const

  test('rests on what it says of itself after the work, never before', () => {
    const job = begun()
    expect(job.refusal(reads(sound))).toBe('not-bled')
    job.do({ type: 'unit-read', unit, when: 'before', reading: sound }).bledToTheEnd()
    expect(job.refusal(proves)).toBe('unit-not-read')
  })

  test.each<[Partial<UnitReading>, string | undefined]>([
    [{}, undefined],
    [{ codes: [{ code: 'C 12', says: 'Pump', is: 'returned' }] }, 'unit-codes-left'],
    [{ codes: [{ code: 'C 12', says: 'Pump', is: 'cleared' }] }, undefined],
    [{ calibration: undefined }, 'unit-not-calibrated'],
    [{ calibration: 'failed' }, 'unit-calibration-failed'],
    [{ restKPa: undefined }, 'unit-pressure-unread'],
    [{ restKPa: REST_KPA + 1 }, 'unit-pressure-not-zero'],
    [{ restKPa: -REST_KPA - 1 }, 'unit-pressure-not-zero'],
    [{ pressedKPa: FIRM_KPA - 1 }, 'unit-pressure-flat'],
    [{ leftKPa: 5000, rightKPa: 4000 }, 'unit-pressure-uneven'],
    [{ restKPa: undefined, pressedKPa: undefined, noSensor: true }, undefined],
    [{ lamp: 'on' }, 'unit-lamp-on'],
    [{ number: 'CU 70-114' }, undefined],
    [{ number: 'CU 70-999' }, 'unit-says-other'],
    [{ wheelsKmh: { 'front-left': 0, 'rear-right': 4 } }, 'unit-wheel-turns'],
    [{ worked: { 'front-left': 'own', 'front-right': 'own' } }, undefined],
    [{ worked: { 'front-left': 'other' } }, 'unit-wheels-crossed'],
    [{ worked: { 'rear-left': 'none' } }, 'unit-wheel-dead'],
  ])('%o: %s', (more, refusal) => {
    expect(
      bled()
        .do(reads({ ...sound, ...more }))
        .refusal(proves),
    ).toBe(refusal)
  })

  test('a code that comes back takes the proof back, and all that rested on it', () => {
    const job = bled().proved()
    expect(job.state.proofs['road-test']?.passed).toBe(true)
    job.do(reads({ ...sound, codes: [{ code: 'C 12', says: '', is: 'returned' }] }))
    expect(job.state.proofs['units-sound']).toBeUndefined()
    expect(job.state.proofs['road-test']).toBeUndefined()
    expect(job.refusal({ type: 'filed', outcome: 'fit', doneBy: 'Una', note: '', wasteMl: 0 })).toBe(
      'fit-not-proved',
    )
  })

  test('what it said before the drive does not say that no code came back on it', () => {
    const job = bled().proved()
    const drive = { type: 'check-proved', check: 'road-test', passed: true, note: '' } as const
    job.wait(600).do(drive)
    const again = { ...drive, check: 'units-after-drive' }
    expect(job.refusal(again)).toBe('unit-read-again')
    expect(job.wait(60).do(reads(sound)).refusal(again)).toBeUndefined()
  })

  const driven = (more: Partial<UnitReading>) => {
    const reading: UnitReading = { from: 'tool', codes: [], lamp: 'out', ...more }
    return { type: 'unit-read' as const, unit, when: 'driven' as const, reading }
  }

  test('after the drive it is read for its codes and its lamp, and not before there was one', () => {
    const again = { type: 'check-proved', check: 'units-after-drive', passed: true, note: '' } as const
    expect(bled().refusal(driven({}))).toBe('not-driven')
    const job = bled().proved().wait(60)
    expect(job.do(driven({ lamp: undefined })).refusal(again)).toBe('unit-lamp-unsaid')
    expect(job.do(driven({})).refusal(again)).toBeUndefined()
  })

  test('a pedal that went deeper once the unit had worked has air under it that came out of the unit', () => {
    const worked = { type: 'check-proved', check: 'unit-worked', passed: true, note: '' } as const
    const job = bled()
      .do(reads({ ...sound, pedalMm: 60 }))
      .proved()
      .do(reads({ ...sound, pedalMm: 60 }))
      .wait(60)
    expect(job.do(driven({ pedalMm: 60 + PEDAL_DEEPER_MM + 0.1 })).refusal(worked)).toBe('unit-pedal-deeper')
    expect(job.do(driven({ pedalMm: 60 + PEDAL_DEEPER_MM })).refusal(worked)).toBeUndefined()
  })
})
