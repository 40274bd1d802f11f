import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { hasWords } from '~core/words'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { ImpossibleInput } from '../base/fault'
import { boreReadings } from '../diagnosis/led/bore'
import { usualCosts } from '../diagnosis/usual'
import { lineId } from '../rig/parts/line'
import { examples } from '../vehicle/examples'
import { lineLengthM } from '../vehicle/network'
import { repairSheetOf, repairSheets, sheetFaults } from '.'
import type { Filled, RepairSheet } from './sheet'

const file = carFile(fourCorners)
const hoseEnd = { lengthM: 0.4, boreMm: 3.2, kind: 'hose' }
const lines = file.lines.map((each) => ({
  ...each,
  segments: [{ lengthM: 3, boreMm: 3.34, kind: 'tube' }, hoseEnd],
}))
const vehicle = vehicleFrom({ ...file, lines })
const prices = { labourPerHour: 60, parts: usualCosts.parts }
const sheetNamed = (id: string) => repairSheetOf(id) as RepairSheet
const placeOn = (id: string) => sheetNamed(id).places(vehicle)[0]?.id ?? ''
const judged = (id: string, filled: Filled) => {
  const sheet = sheetNamed(id)
  const usual = Object.fromEntries(
    sheet
      .fields(vehicle, placeOn(id), prices)
      .flatMap((field) =>
        'initial' in field && field.initial !== undefined ? [[field.id, field.initial]] : [],
      ),
  )
  return sheet.judge({ ...usual, ...filled }, vehicle, placeOn(id))
}

describe('cylinder', () => {
  const bore = (widest: number) => ({
    ...Object.fromEntries(boreReadings.map((id) => [id, widest - 0.01])),
    'middle-across': widest,
  })
  const sound = { limit: 20.06, ...bore(20.04), pits: 'bright', cups: 'worn', kit: 'fits-this-bore' }
  test('one reading of six beyond the limit condemns it, whatever the rest say', () => {
    expect(judged('cylinder', sound)?.value).toBe('rebuild')
    expect(judged('cylinder', { ...sound, ...bore(20.07) })?.value).toBe('renew')
  })
  test('pits that a nail feels end the looking', () => {
    expect(judged('cylinder', { pits: 'felt-by-a-nail' })?.value).toBe('renew')
  })
  test('a kit for another bore is no kit', () => {
    expect(judged('cylinder', { ...sound, kit: 'another-bore' })?.value).toBe('renew')
  })
  test('of two sound ways the cheaper one: 35 and 110 min against 150 and 75 min at 60 an hour', () => {
    expect(judged('cylinder', sound)?.reasons).toContainEqual(
      expect.objectContaining({ code: 'sheet-cheaper-rebuild', params: { rebuild: 145, renew: 225 } }),
    )
    expect(judged('cylinder', { ...sound, 'new-price': 60 })?.value).toBe('renew')
  })
  test('a rod without play is said before anything else, and the week of standing is not forgotten', () => {
    const codes = (filled: Filled) =>
      judged('cylinder', { ...sound, ...filled })?.still.map(({ code }) => code)
    expect(codes({ 'rod-play': 0 })).toEqual(['sheet-rod-tight', 'sheet-still-week'])
    expect(codes({ 'rod-play': 1, stood: 'firm' })).toEqual([])
    expect(judged('cylinder', { ...sound, stood: 'gone' })?.value).toBe('renew')
  })
  test('nothing is decided on half of the readings', () => {
    const { 'top-along': _left, ...half } = sound as Record<string, number | string>
    expect(judged('cylinder', half)).toBeUndefined()
  })
})

describe('brake', () => {
  const sound = {
    piston: 'bright',
    groove: 'clean',
    boot: 'whole',
    slides: 'free',
    bleeder: 'turns',
    touched: 'brake-fluid-only',
  }
  test.each([
    ['sound in all', {}, 'keep'],
    ['stuck slides that came free', { slides: 'freed' }, 'free-slides'],
    ['marks where no seal runs', { piston: 'marks-outside-the-seal' }, 'keep'],
    ['a pitted piston', { piston: 'pitted' }, 'renew'],
    [
      'rust that came out of the groove, a kit at hand',
      { groove: 'rust-comes-out', kit: 'fits-this-bore' },
      'rebuild',
    ],
    ['oil on its rubber and no kit', { touched: 'oil-or-solvent', kit: 'none' }, 'renew'],
  ])('%s', (_, filled, value) => {
    expect(judged('brake', { ...sound, ...filled })?.value).toBe(value)
  })
  test('a bleeder that does not turn is renewed, also where all else is kept', () => {
    const verdict = judged('brake', { ...sound, bleeder: 'seized' })
    expect(verdict?.value).toBe('keep')
    expect(verdict?.buy.map(({ code }) => code)).toEqual(['spare-bleeder'])
    expect(verdict?.still.map(({ code }) => code)).toEqual(['sheet-still-bleeder'])
  })
  test('fitted dry it takes its dead volume and what worn pads hold', () => {
    const worn = {
      ...vehicle,
      parts: vehicle.parts.map((part) =>
        part.type === 'wheel-brake'
          ? { ...part, deadMl: 20, padWearMm: 10, pistons: [{ diameterMm: 54, count: 1 }] }
          : part,
      ),
    }
    const [takes] = sheetNamed('brake').judge(sound, worn, placeOn('brake'))?.figures ?? []
    // 54 mm by 10 mm is 22.9 mL. @source geometry
    expect(takes?.params?.takesMl).toBeCloseTo(42.9, 1)
  })
})

describe('line', () => {
  const at = placeOn('line')
  const whole = vehicle.lines.find((each) => lineId(each) === at)
  const tubeM = whole?.segments[0]?.lengthM ?? 0
  const rusty = {
    rust: 'pitted',
    'rust-from': 1,
    'rust-to': 1.3,
    couplers: 'allowed',
    routed: 0.42,
    flare: 'double',
    nuts: 'turn',
  }
  test('a short stretch in the middle: two couplers, four flares and nuts', () => {
    const verdict = judged('line', rusty)
    expect(verdict?.value).toBe('piece')
    expect(verdict?.buy.map(({ code, count }) => [code, count])).toEqual([
      ['buy-tube', 1],
      ['buy-tube-nut', 4],
      ['buy-coupler', 2],
    ])
  })
  test('near a fitting it is cut there: one coupler less', () => {
    expect(judged('line', { ...rusty, 'rust-from': 0.1 })?.buy.at(-1)).toMatchObject({
      code: 'buy-coupler',
      count: 1,
    })
  })
  test('where couplers are not allowed, or most of it is rust, all of it goes', () => {
    expect(judged('line', { ...rusty, couplers: 'not-allowed' })?.value).toBe('whole')
    expect(judged('line', { ...rusty, 'rust-from': 0.2, 'rust-to': tubeM - 0.2 })?.value).toBe('whole')
  })
  test('a tube no wider than its own wall is refused', () => {
    expect(() => judged('line', { ...rusty, outer: 1 })).toThrow(ImpossibleInput)
  })
  test('rust that ends before it begins, or beyond the tube, is refused by its field', () => {
    expect(() => judged('line', { ...rusty, 'rust-to': 0.5 })).toThrow(ImpossibleInput)
    expect(() => judged('line', { ...rusty, 'rust-to': tubeM + 50 })).toThrow(ImpossibleInput)
  })
  test('the vehicle has the new length, and what was not cut stays', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        (a, b, routed) => {
          const [from, to] = [a * tubeM * 0.9, Math.min(tubeM, a * tubeM * 0.9 + b * tubeM)]
          const filled = { ...rusty, clear: 0.05, outer: 4.76, routed, 'rust-from': from, 'rust-to': to }
          const sheet = sheetNamed('line')
          const [cuts] = sheet.judge(filled, vehicle, at)?.figures ?? []
          const after = sheet.changes?.(filled, vehicle, at)?.lines.find((each) => lineId(each) === at)
          const cutOut = Number(cuts?.params?.toM) - Number(cuts?.params?.fromM)
          expect(after && whole && lineLengthM(after)).toBeCloseTo(
            lineLengthM(whole as never) - cutOut + routed,
            2,
          )
        },
      ),
    )
  })
})

describe('hose', () => {
  const sound = { outside: 'whole', runs: 'straight', years: 3, other: 'as-old', fitting: 'hollow-bolt' }
  test.each([
    ['nothing against it', {}, 'keep'],
    ['twisted', { runs: 'twisted' }, 'fit-again'],
    ['a wire stops, the other as old', { wire: 'stops' }, 'renew-pair'],
    ['a wire stops, the other newer', { wire: 'stops', other: 'newer' }, 'renew'],
    ['twelve years old', { years: 12, other: 'no-other' }, 'renew'],
  ])('%s', (_, filled, value) => {
    expect(judged('hose', { ...sound, ...filled })?.value).toBe(value)
  })
  test('what its line should give keeps it; a twentieth of that is a choke, with the bore that is left', () => {
    const flow = (caught: number) => judged('hose', { ...sound, driven: 103.42, caught })
    expect(flow(300)?.value).toBe('keep')
    expect(flow(15)?.reasons[0]).toMatchObject({ code: 'sheet-hose-choked' })
    expect(Number(flow(15)?.reasons[0]?.params?.leftMm)).toBeLessThan(1.2)
  })
})

describe('every sheet', () => {
  test('of every example: each field, option, decision and caution has its words', () => {
    for (const { file } of Object.values(examples)) {
      const of = vehicleFrom(file)
      for (const sheet of repairSheets)
        for (const { id, name } of sheet.places(of)) {
          const fields = sheet.fields(of, id, prices)
          const codes = [
            name.code,
            `sheet-name-${sheet.id}`,
            ...fields.map(({ label }) => label.code),
            ...fields.flatMap((field) =>
              field.kind === 'choice' ? field.options.map((each) => `option-${each}`) : [],
            ),
            ...Object.keys(sheet.work).map((value) => `verdict-${value}`),
            ...sheet.cautions.map((code) => `care-${code}`),
          ]
          expect(codes.filter((code) => !hasWords(code))).toEqual([])
        }
    }
  })
  test('whatever is filled in: a decision that the sheet knows, said in words, or none', () => {
    for (const sheet of repairSheets) {
      const at = placeOn(sheet.id)
      const fields = sheet.fields(vehicle, at, prices)
      const any = fc.record(
        Object.fromEntries(
          fields.map((field) => [
            field.id,
            field.kind === 'choice'
              ? fc.constantFrom(...field.options)
              : field.kind === 'clock'
                ? fc.constant('2026-01-02T03:04:05Z')
                : fc.double({ min: 0, max: 40, noNaN: true }),
          ]),
        ),
        { requiredKeys: [] },
      ) as fc.Arbitrary<Filled>
      fc.assert(
        fc.property(any, (filled) => {
          expect(sheetFaults(sheet.id, at, filled, vehicle)).toEqual([])
          try {
            const verdict = sheet.judge(filled, vehicle, at)
            if (!verdict) return
            expect(sheet.work[verdict.value]).toBeDefined()
            const said = [...verdict.reasons, ...verdict.figures, ...verdict.buy, ...verdict.still]
            expect(said.filter(({ code }) => !hasWords(code))).toEqual([])
            expect(JSON.stringify(verdict)).not.toMatch(/null|NaN/)
          } catch (error) {
            expect(error).toBeInstanceOf(ImpossibleInput)
          }
        }),
        { numRuns: 300 },
      )
    }
  })
  test('what a sheet does not have is named by its path', () => {
    expect(sheetFaults('brake', 'nowhere', {}, vehicle)[0]?.path).toBe('at')
    expect(sheetFaults('brake', placeOn('brake'), { piston: 'golden' }, vehicle)[0]?.path).toBe(
      'filled.piston',
    )
    expect(sheetFaults('brake', placeOn('brake'), { labour: -1, hat: 3 }, vehicle)).toHaveLength(2)
  })
})
