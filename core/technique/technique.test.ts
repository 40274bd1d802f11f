import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { fluidOf } from '../fluid/specs'
import { routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { hasWords, sayMetric } from '../words'
import { chooseTechnique } from './choose'
import { techniqueOf, techniquesAt } from './index'
import { methodIds, type TechniqueContext, type TechniqueId, techniqueIds, usualUnknowns } from './technique'

function contextOf(vehicle: Vehicle, changes: Partial<TechniqueContext> = {}): TechniqueContext {
  const corners = routedBleeders(vehicle).map((placed) => ({
    ...placed,
    throughMl: 100,
    segments: placed.route?.lines.flatMap((line) => line.segments) ?? [],
  }))
  return {
    vehicle,
    fluid: fluidOf(vehicle.fluid.spec),
    tempC: 20,
    conversion: false,
    exchange: false,
    corners,
    reservoirs: partsOf(vehicle, 'reservoir'),
    cylinders: [],
    cylinderOut: false,
    helper: true,
    lacks: new Set(),
    adapters: [],
    unknowns: usualUnknowns,
    ...changes,
  }
}

const van = demoVehicle('post-van-lhd')
const withSettings = (makerSettings: object) =>
  demoVehicle('post-van-lhd', (file) => ({ ...file, makerSettings }))
const atBleeders = techniquesAt('bleeders')
const all = atBleeders.map(({ id }) => id)
const refusal = (id: TechniqueId, context: TechniqueContext) => techniqueOf(id).exclude(context)?.code

describe('what excludes a method (common practice)', () => {
  test('a residual-pressure valve stops gravity and reverse, and no other', () => {
    const held = contextOf(demoVehicle('charabanc'))
    expect(all.filter((id) => refusal(id, held) === 'residual-valve-blocks')).toEqual(['gravity', 'reverse'])
  })

  test('a cold shop stops gravity', () => {
    expect(refusal('gravity', contextOf(van, { tempC: 2 }))).toBe('shop-too-cold')
    expect(refusal('gravity', contextOf(van))).toBeUndefined()
  })

  test('a motorcycle takes no pressure adapter unless its maker states a pressure', () => {
    expect(refusal('pressure', contextOf(demoVehicle('courier-motorcycle')))).toBe(
      'pressure-not-on-this-kind',
    )
    const stated = demoVehicle('courier-motorcycle', (file) => ({
      ...file,
      makerSettings: { pressureKPa: 80 },
    }))
    expect(refusal('pressure', contextOf(stated))).toBeUndefined()
  })

  test('nothing is pushed backwards in a conversion', () => {
    expect(refusal('reverse', contextOf(van, { conversion: true }))).toBe('reverse-pushes-dirt')
  })
})

describe('settings', () => {
  test('pressure stays inside 70–103 kPa on a sound cap, inside 35–55 on another, the maker’s wins on a sound one', () => {
    const kPa = (vehicle: Vehicle) => techniqueOf('pressure').settings(contextOf(vehicle)).pressureKPa ?? 0
    expect(kPa(van)).toBeGreaterThanOrEqual(70)
    expect(kPa(van)).toBeLessThanOrEqual(103)
    expect(kPa(demoVehicle('charabanc'))).toBeGreaterThanOrEqual(35)
    expect(kPa(demoVehicle('charabanc'))).toBeLessThanOrEqual(55)
    expect(kPa(withSettings({ pressureKPa: 180 }))).toBe(180)
    expect(
      kPa(demoVehicle('charabanc', (file) => ({ ...file, makerSettings: { pressureKPa: 180 } }))),
    ).toBeLessThanOrEqual(55)
  })

  test('vacuum stays inside 60–85 kPa below atmosphere, or is the maker’s', () => {
    const kPa = (vehicle: Vehicle) => techniqueOf('vacuum').settings(contextOf(vehicle)).vacuumKPa ?? 0
    expect(kPa(van)).toBeGreaterThanOrEqual(60)
    expect(kPa(van)).toBeLessThanOrEqual(85)
    expect(kPa(withSettings({ vacuumKPa: 50 }))).toBe(50)
  })
})

describe('minutes', () => {
  test('gravity takes the slowest of the bleeders open together, a quarter of an hour or so a wheel, and two minutes more', () => {
    const gravity = techniqueOf('gravity')
    const one = gravity.minutes(
      contextOf(van, { corners: contextOf(van).corners.filter(({ bleeder }) => bleeder.id === 'RR') }),
    )
    const four = gravity.minutes(contextOf(van))
    // The wheels share a little pipe to the unit, so each is a little slower in company.
    expect(four.fluidMinutes).toBeGreaterThan(one.fluidMinutes ?? 0)
    expect(four.fluidMinutes).toBeLessThan(1.2 * (one.fluidMinutes ?? 0))
    expect(one.fluidMinutes).toBeGreaterThan(5)
  })

  test('fluid time falls with pressure and grows with the volume, whatever the method', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...atBleeders),
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (method, a, b) => {
          const at = (throughMl: number) =>
            method.minutes(
              contextOf(van, { corners: contextOf(van).corners.map((corner) => ({ ...corner, throughMl })) }),
            ).fluidMinutes
          expect(at(Math.min(a, b))).toBeLessThanOrEqual(at(Math.max(a, b)) + 1e-9)
        },
      ),
    )
    const together = techniqueOf('pressure-vacuum').minutes(contextOf(van)).fluidMinutes ?? 0
    expect(together).toBeLessThan(techniqueOf('pressure').minutes(contextOf(van)).fluidMinutes ?? 0)
  })
})

describe('the choice', () => {
  test('is one that the shop has and nothing excludes, with a reason and its basis for every other', () => {
    fc.assert(
      fc.property(
        fc.subarray([...methodIds]),
        fc.integer({ min: -20, max: 40 }),
        fc.boolean(),
        fc.constantFrom('post-van-lhd' as const, 'courier-motorcycle' as const, 'charabanc' as const),
        (available, tempC, helper, name) => {
          const context = contextOf(demoVehicle(name), { tempC, helper })
          const choice = chooseTechnique('bleeders', () => context, available)
          const possible = atBleeders.filter(
            ({ id, method, needsHelper }) =>
              available.includes(method) && (helper || !needsHelper) && refusal(id, context) === undefined,
          )
          if (possible.length === 0) expect(choice.technique).toBeUndefined()
          else expect(possible).toContain(choice.technique)
          expect(choice.notTaken.map(({ technique }) => technique).sort()).toEqual(
            all.filter((id) => id !== choice.technique?.id).sort(),
          )
          for (const { basis, text } of choice.notTaken) expect([basis, text]).not.toContain('')
        },
      ),
    )
  })
  test('follows the maker’s own settings before time and risk', () => {
    const { technique } = chooseTechnique('bleeders', () => contextOf(withSettings({ vacuumKPa: 65 })), [
      'pressure',
      'vacuum',
      'two-person',
    ])
    expect(technique?.id).toBe('vacuum')
  })
  test('prefers the pedal to hard pressure on an old cap', () => {
    const choice = chooseTechnique('bleeders', () => contextOf(demoVehicle('charabanc')), [
      'pressure',
      'two-person',
    ])
    expect(choice.technique?.id).toBe('pump-and-hold')
  })
  test('another one that is allowed may be taken by hand, and says what was set aside; an excluded one may not', () => {
    const context = contextOf(van)
    const asked = { technique: 'vacuum', why: 'the adapter is lent out' } as const
    const choice = chooseTechnique('bleeders', () => context, ['pressure', 'vacuum'], [asked])
    expect(choice.technique?.id).toBe('vacuum')
    expect(choice.notTaken.find(({ code }) => code === 'set-aside')?.technique).toBe('pressure')
    const refused = chooseTechnique('bleeders', () => context, ['pressure'], [asked])
    expect(refused.technique).toBeUndefined()
    expect(refused.refused?.code).toBe('not-in-shop')
  })
  test('equipment that is not at hand takes its way out, and the next way of the same method steps in', () => {
    const context = contextOf(van, { lacks: new Set(['check-valve-hose'] as const) })
    expect(chooseTechnique('bleeders', () => context, ['solo']).technique?.id).toBe('raised-bottle')
  })
})

describe('adapters of the machine', () => {
  const named = demoVehicle('post-van-lhd', (file) => ({
    ...file,
    parts: (file.parts as object[]).map((part) => ({
      ...part,
      ...('capSeal' in part && { capAdapter: 'three-lug B' }),
    })),
  }))
  test('the reservoir’s own must be there, and its rating is never passed', () => {
    const other = contextOf(named, { adapters: [{ name: 'two-lug', maxKPa: 150 }] })
    expect(refusal('pressure', other)).toBe('adapter-missing')
    const weak = contextOf(named, { adapters: [{ name: 'three-lug B', maxKPa: 80 }] })
    expect(refusal('pressure', weak)).toBeUndefined()
    expect(techniqueOf('pressure').settings(weak).pressureKPa).toBe(80)
  })
  test('not knowing which one it takes, the weakest of the shop’s decides', () => {
    const unnamed = demoVehicle('post-van-lhd', (file) => ({
      ...file,
      parts: (file.parts as object[]).map((part) => ({ ...part, capAdapter: undefined })),
    }))
    const context = contextOf(unnamed, {
      adapters: [
        { name: 'a', maxKPa: 150 },
        { name: 'b', maxKPa: 60 },
      ],
    })
    expect(techniqueOf('pressure').settings(context).pressureKPa).toBe(60)
  })
})

test('every method and every way has a name a person uses, a way to end, and mistakes to know of', () => {
  for (const id of methodIds) expect(hasWords(`method-${id}`)).toBe(true)
  for (const id of techniqueIds)
    for (const part of ['', '-why', '-round', '-done', '-mistakes'])
      expect(sayMetric({ code: `technique-${id}${part}` }).length).toBeGreaterThan(6)
})
