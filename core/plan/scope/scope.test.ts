import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import type { Vehicle } from '../../vehicle/schema'
import { decideScope, type ScopeWork } from './scope'

const repair: ScopeWork = { reason: 'repair', opened: [], replaced: [], ranDry: false, systemEmpty: false }

function scopeOf(vehicle: Vehicle, work: Partial<ScopeWork>, school: 'local' | 'whole' = 'local') {
  const { value, reasons } = decideScope(vehicle, { ...repair, ...work }, school)
  return {
    ...value,
    ids: value.bleeders.map(({ bleeder }) => bleeder.id).sort(),
    codes: reasons.map(({ code }) => code),
  }
}

describe('on the van', () => {
  const van = demoVehicle('post-van-lhd')
  const all = ['FL', 'FR', 'RL', 'RR']

  test('a wheel’s own line opened concerns that wheel alone', () => {
    expect(scopeOf(van, { opened: ['rear left line'] })).toMatchObject({
      ids: ['RL'],
      cylinder: 'none',
      whole: false,
      leakCheck: true,
    })
  })

  test('two opened corners are both bled, and nothing else', () => {
    expect(scopeOf(van, { opened: ['rear left brake'], replaced: ['front right brake'] }).ids).toEqual([
      'FR',
      'RL',
    ])
  })

  test('the line between cylinder and unit: the cylinder first, then all', () => {
    expect(scopeOf(van, { opened: ['front feed'] })).toMatchObject({
      ids: all,
      cylinder: 'ports',
      unit: false,
    })
  })

  test('the cylinder opened goes to its ports, replaced to the bench', () => {
    expect(scopeOf(van, { opened: ['cylinder'] }).cylinder).toBe('ports')
    expect(scopeOf(van, { replaced: ['cylinder'] })).toMatchObject({
      cylinder: 'bench',
      cylinderIds: ['cylinder'],
    })
  })

  test('the unit opened or replaced asks for its routine; an emptied system does too', () => {
    for (const work of [{ opened: ['unit'] }, { replaced: ['unit'] }, { systemEmpty: true }])
      expect(scopeOf(van, work)).toMatchObject({ ids: all, unit: true })
  })

  test('a reservoir that ran dry takes the cylinder and every bleeder, but not the unit’s routine', () => {
    expect(scopeOf(van, { ranDry: true })).toMatchObject({ ids: all, cylinder: 'ports', unit: false })
  })

  test('the other school bleeds everything after one opened corner, and says so', () => {
    const scope = scopeOf(van, { opened: ['rear left brake'] }, 'whole')
    expect(scope.ids).toEqual(all)
    expect(scope.codes).toContain('scope-school-whole')
  })

  test('a soft pedal with nothing opened concerns every bleeder', () => {
    expect(scopeOf(van, { reason: 'soft-pedal' })).toMatchObject({ ids: all, whole: true, leakCheck: false })
  })
})

describe('on a motorcycle with two separate cylinders', () => {
  const motorcycle = demoVehicle('courier-motorcycle')

  test('a new lever cylinder leaves the rear brake alone', () => {
    expect(scopeOf(motorcycle, { replaced: ['lever cylinder'] })).toMatchObject({
      ids: ['F'],
      cylinder: 'bench',
      cylinderIds: ['lever cylinder'],
    })
  })

  test('a routine exchange takes both', () => {
    expect(scopeOf(motorcycle, { reason: 'service' }).ids).toEqual(['F', 'R'])
  })
})

describe('on the charabanc with one circuit', () => {
  test('the rear pipe opened concerns both rears, a tee at the front everything beyond it', () => {
    const charabanc = demoVehicle('charabanc')
    expect(scopeOf(charabanc, { opened: ['rear pipe'] }).ids).toEqual(['RL', 'RR'])
    expect(scopeOf(charabanc, { opened: ['rear tee'] }).ids).toEqual(['RL', 'RR'])
    expect(scopeOf(charabanc, { opened: ['main pipe'] })).toMatchObject({
      ids: ['FL', 'FR', 'RL', 'RR'],
      cylinder: 'ports',
    })
  })
})

test('without a unit, a hose straight from the chamber to its wheel is that wheel’s own', () => {
  expect(scopeOf(vehicleFrom(carFile(fourCorners)), { opened: ['line-fl'] })).toMatchObject({
    ids: ['fl'],
    cylinder: 'none',
  })
})

test('every scope gives at least one reason', () => {
  const van = demoVehicle('post-van-lhd')
  for (const reason of ['service', 'repair', 'conversion', 'soft-pedal'] as const)
    expect(scopeOf(van, { reason }).codes.length).toBeGreaterThan(0)
})
