import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import type { Vehicle } from '../vehicle/schema'
import { cautionCodes } from './cautions'
import { makePlan } from './plan'
import { shopSchema, workSchema } from './request'

function codesOf(vehicle: Vehicle, methods: string[] = ['two-person'], work: object = { reason: 'service' }) {
  const plan = makePlan({ vehicle, work: workSchema.parse(work), shop: shopSchema.parse({ methods }) })
  for (const { at } of plan.cautions) if (at) expect(plan.stages.map(({ kind }) => kind)).toContain(at)
  return plan.cautions.map(({ code }) => code)
}

/** The van with one brake changed, or one more part on its rear circuit. */
const vanWith = (change: object) =>
  demoVehicle('post-van-lhd', (file) => ({
    ...file,
    parts: (file.parts as { id: string }[]).map((part) =>
      part.id === 'rear left brake' ? { ...part, ...change } : part,
    ),
  }))
const vanWithPart = (part: { id: string }) =>
  demoVehicle('post-van-lhd', (file) => ({
    ...file,
    parts: [...(file.parts as object[]), part],
    lines: [
      ...(file.lines as object[]),
      { from: 'unit', to: part.id, circuit: 'rear', segments: [{ lengthM: 0.3, boreMm: 3.34 }] },
    ],
  }))

test('the maker comes first on every plan, and a pedal that is not firm keeps the vehicle here', () => {
  for (const name of ['post-van-lhd', 'courier-motorcycle', 'charabanc'] as const) {
    expect(codesOf(demoVehicle(name))).toEqual(
      expect.arrayContaining([
        'maker-first',
        'brakes-on-before-pedal',
        'close-before-release',
        'firm-or-stays',
        'used-fluid',
      ]),
    )
  }
})

describe('a part brings its caution (common practice)', () => {
  test.each([
    ['bleeder-not-at-top', vanWith({ bleederAtTop: false })],
    ['electric-parking-brake', vanWith({ parkingBrake: 'electric' })],
    ['parking-brake-caliper', demoVehicle('post-van-lhd')],
    ['adjust-drums', demoVehicle('charabanc')],
    ['residual-valve', demoVehicle('charabanc')],
    ['single-circuit', demoVehicle('charabanc')],
    [
      'load-sensing-valve',
      vanWithPart({ id: 'valve', type: 'valve', role: 'load-sensing' } as { id: string }),
    ],
    [
      'deceleration-valve',
      vanWithPart({ id: 'valve', type: 'valve', role: 'deceleration' } as { id: string }),
    ],
    [
      'pressure-difference-switch',
      vanWithPart({ id: 'valve', type: 'valve', role: 'pressure-difference' } as { id: string }),
    ],
    [
      'concentric-slave',
      vanWithPart({ id: 'slave', type: 'clutch-slave', boreMm: 30, strokeMm: 10, concentric: true } as {
        id: string
      }),
    ],
  ])('%s', (code, vehicle) => {
    expect(codesOf(vehicle)).toContain(code)
  })

  test('and the plain van brings none of the others', () => {
    const codes = codesOf(demoVehicle('post-van-lhd'))
    for (const code of [
      'bleeder-not-at-top',
      'electric-parking-brake',
      'adjust-drums',
      'residual-valve',
      'single-circuit',
      'hollow-bolt',
      'by-wire-hands-off',
    ])
      expect(codes).not.toContain(code)
  })
})

describe('a method brings its caution', () => {
  test.each([
    ['two-person', ['vacuum-booster', 'old-cylinder-floor']],
    ['pressure', ['machine-pressure-off']],
    ['vacuum', ['vacuum-false-bubbles', 'vacuum-mist']],
  ])('%s: %j', (method, codes) => {
    expect(codesOf(demoVehicle('post-van-lhd'), [method])).toEqual(expect.arrayContaining(codes))
  })

  test('a metering valve matters under pressure alone', () => {
    const metering = vanWithPart({ id: 'valve', type: 'valve', role: 'metering' } as { id: string })
    expect(codesOf(metering, ['pressure'])).toContain('metering-valve')
    expect(codesOf(metering, ['two-person'])).not.toContain('metering-valve')
  })

  test('pressure on an old cap is warned of', () => {
    expect(codesOf(demoVehicle('charabanc'), ['pressure'])).toContain('cap-seal-doubtful')
    expect(codesOf(demoVehicle('post-van-lhd'), ['pressure'])).not.toContain('cap-seal-doubtful')
  })

  test('a hollow bolt is opened only where air is suspected', () => {
    const bike = demoVehicle('courier-motorcycle')
    expect(codesOf(bike, ['two-person'])).not.toContain('hollow-bolt')
    expect(codesOf(bike, ['two-person'], { reason: 'soft-pedal' })).toContain('hollow-bolt')
  })

  test('vacuum at drums, silicone beside a unit, mineral oil against glycol, an old cylinder’s floor, a booster there is', () => {
    expect(codesOf(demoVehicle('charabanc'), ['vacuum'])).toContain('vacuum-at-drums')
    expect(codesOf(demoVehicle('post-van-lhd'), ['vacuum'])).not.toContain('vacuum-at-drums')
    const silicone = demoVehicle('post-van-lhd', (file) => ({ ...file, fluid: { spec: 'DOT 5' } }))
    expect(codesOf(silicone)).toContain('silicone-with-unit')
    expect(codesOf(demoVehicle('post-van-lhd'))).not.toContain('silicone-with-unit')
    const found = { reason: 'conversion', fluidFound: 'mineral' }
    expect(codesOf(demoVehicle('post-van-lhd'), ['pressure'], found)).toEqual(
      expect.arrayContaining(['mineral-and-rubber', 'second-flush']),
    )
    const renewed = { reason: 'repair', replaced: ['cylinder'] }
    expect(codesOf(demoVehicle('post-van-lhd'), ['two-person'], renewed)).not.toContain('old-cylinder-floor')
    expect(codesOf(demoVehicle('charabanc'), ['two-person'])).not.toContain('vacuum-booster')
  })

  test('a unit that must cycle stays unpowered until its base bleed', () => {
    expect(
      codesOf(demoVehicle('post-van-lhd'), ['two-person', 'control-unit'], {
        reason: 'repair',
        replaced: ['unit'],
      }),
    ).toEqual(expect.arrayContaining(['unit-unpowered', 'unit-offers']))
  })
})

test('codes are kebab-case and none is used twice', () => {
  const codes = cautionCodes
  expect(new Set(codes).size).toBe(codes.length)
  for (const code of codes) expect(code).toMatch(/^[a-z]+(-[a-z]+)*$/)
})
