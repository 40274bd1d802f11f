import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fluidOf } from '../fluids'
import { demoVehicle } from '../testing/demo-vehicles'
import { bleederRuns } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { chooseMethod } from './choose'
import { bleedMethodOf, bleedMethods, methodName } from './index'
import { type MethodContext, type MethodId, methodIds, usualUnknowns } from './method'

function contextOf(vehicle: Vehicle, changes: Partial<MethodContext> = {}): MethodContext {
  const corners = bleederRuns(vehicle).map((placed) => ({
    ...placed,
    throughMl: 100,
    segments: placed.run?.lines.flatMap((line) => line.segments) ?? [],
  }))
  return {
    vehicle,
    fluid: fluidOf(vehicle.fluid.spec),
    tempC: 20,
    conversion: false,
    corners,
    reservoirs: partsOf(vehicle, 'reservoir'),
    unknowns: usualUnknowns,
    ...changes,
  }
}

const van = demoVehicle('post-van-lhd')
const withSettings = (makerSettings: object) =>
  demoVehicle('post-van-lhd', (file) => ({ ...file, makerSettings }))
const all = bleedMethods.map(({ id }) => id)
const refusal = (id: MethodId, context: MethodContext) => bleedMethodOf(id)?.exclude(context)?.code

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
    const kPa = (vehicle: Vehicle) => bleedMethodOf('pressure')?.settings(contextOf(vehicle)).pressureKPa ?? 0
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
    const kPa = (vehicle: Vehicle) => bleedMethodOf('vacuum')?.settings(contextOf(vehicle)).vacuumKPa ?? 0
    expect(kPa(van)).toBeGreaterThanOrEqual(60)
    expect(kPa(van)).toBeLessThanOrEqual(85)
    expect(kPa(withSettings({ vacuumKPa: 50 }))).toBe(50)
  })
})

describe('minutes', () => {
  test('gravity takes the slowest of the bleeders open together, a quarter of an hour or so a wheel, and two minutes more', () => {
    const gravity = bleedMethodOf('gravity')
    const one = gravity?.minutes(
      contextOf(van, { corners: contextOf(van).corners.filter(({ bleeder }) => bleeder.id === 'RR') }),
    )
    const four = gravity?.minutes(contextOf(van))
    expect(four?.fluidMinutes).toBeCloseTo(one?.fluidMinutes ?? 0, 9)
    expect(one?.fluidMinutes).toBeGreaterThan(5)
  })

  test('fluid time falls with pressure and grows with the volume, whatever the method', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...bleedMethods),
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
    const together = bleedMethodOf('pressure-vacuum')?.minutes(contextOf(van)).fluidMinutes ?? 0
    expect(together).toBeLessThan(bleedMethodOf('pressure')?.minutes(contextOf(van)).fluidMinutes ?? 0)
  })
})

describe('the choice', () => {
  test('is one that the shop has and nothing excludes, with a reason for every other', () => {
    fc.assert(
      fc.property(
        fc.subarray(all),
        fc.integer({ min: -20, max: 40 }),
        fc.constantFrom('post-van-lhd' as const, 'courier-motorcycle' as const, 'charabanc' as const),
        (available, tempC, name) => {
          const context = contextOf(demoVehicle(name), { tempC })
          const choice = chooseMethod(context, available)
          const possible = available.filter((id) => refusal(id, context) === undefined)
          if (possible.length === 0) expect(choice.method).toBeUndefined()
          else expect(possible).toContain(choice.method?.id)
          expect(choice.rejected.map(({ method }) => method).sort()).toEqual(
            all.filter((id) => id !== choice.method?.id).sort(),
          )
        },
      ),
    )
  })

  test('follows the maker’s own settings before time and risk', () => {
    expect(
      chooseMethod(contextOf(withSettings({ vacuumKPa: 65 })), ['pressure', 'vacuum', 'two-person']).method
        ?.id,
    ).toBe('vacuum')
  })

  test('prefers the pedal to hard pressure on an old cap', () => {
    expect(chooseMethod(contextOf(demoVehicle('charabanc')), ['pressure', 'two-person']).method?.id).toBe(
      'two-person',
    )
  })
})

test('every method has a name a person uses', () => {
  for (const id of methodIds) expect(methodName(id)).not.toBe(id)
})
