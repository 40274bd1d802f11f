import { describe, expect, test } from 'vitest'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../examples'
import { layouts } from '../layouts'
import { fromLayout } from '../layouts/from-layout'
import { readVehicle } from '../read-vehicle'
import type { Vehicle } from '../schema'
import {
  addable,
  addBleeder,
  addPart,
  addSegment,
  removeBleeder,
  removeLine,
  removePart,
  setField,
  setMakerOrder,
  valueAt,
} from './edit'
import { type EditField, lineFields, makerFields, ownerFields, partFields } from './fields'

const van = vehicleFrom(examples['parcel-van']?.file)
const at = (vehicle: Vehicle, id: string) => vehicle.parts.findIndex((part) => part.id === id)
const labelled = (fields: readonly EditField[], label: string) => {
  const field = fields.find((each) => each.label === label)
  if (!field) throw new Error(`there is no field ${label}`)
  return field
}

test('every field of every example has a value that can be set and read again, and changes nothing else', () => {
  for (const { file } of Object.values(examples)) {
    const vehicle = vehicleFrom(file)
    for (const [i, part] of vehicle.parts.entries())
      for (const field of partFields(part)) {
        const target = { in: 'parts', at: i } as const
        const same = setField(vehicle, target, field, valueAt(vehicle, target, field))
        expect({ ...same, assumed: undefined }).toEqual({ ...vehicle, assumed: undefined })
      }
    for (const [i, line] of vehicle.lines.entries())
      for (const field of lineFields(line)) {
        if (field.kind !== 'number') continue
        const target = { in: 'lines', at: i } as const
        expect(valueAt(setField(vehicle, target, field, 1.25), target, field)).toBe(1.25)
      }
  }
})

describe('one change', () => {
  test('a spanner is given, and left out again', () => {
    const brake = { in: 'parts', at: at(van, 'rear left brake') } as const
    const part = van.parts[brake.at]
    if (!part) throw new Error('there is no such brake')
    const spanner = labelled(partFields(part), 'RL spanner')
    const changed = setField(van, brake, spanner, 7)
    expect(valueAt(changed, brake, spanner)).toBe(7)
    expect(valueAt(setField(changed, brake, spanner, undefined), brake, spanner)).toBeUndefined()
    expect(valueAt(van, brake, spanner)).toBe(9)
  })

  test('what is given for a part is no longer assumed, and only that', () => {
    const [layout] = layouts
    const made =
      layout &&
      fromLayout(layout, {
        name: 'x',
        driverSide: 'left',
        wheelbaseMm: 2500,
        trackMm: 1450,
        maxMl: 400,
        minMl: 200,
        fluidSpec: 'DOT 4',
      })
    if (!made?.ok) throw new Error('the layout does not read')
    const vehicle = made.value
    const [line] = vehicle.lines
    if (!line?.id) throw new Error('the line has no id')
    const changed = setField(vehicle, { in: 'lines', at: 0 }, labelled(lineFields(line), 'Length'), 1.15)
    expect(changed.assumed).toEqual(vehicle.assumed?.filter((id) => id !== line.id))
  })

  test('the maker’s settings appear and disappear', () => {
    const pressure = labelled(makerFields, 'Maker’s pressure')
    const changed = setField(van, { in: 'vehicle' }, pressure, 90)
    expect(changed.makerSettings).toEqual({ pressureKPa: 90 })
  })

  test('name, driver’s side and fluid are changed like any other value', () => {
    const changed = setField(van, { in: 'vehicle' }, labelled(ownerFields, 'Fluid called for'), 'DOT 5.1')
    expect(changed.fluid).toEqual({ ...van.fluid, spec: 'DOT 5.1' })
    const nameless = setField(van, { in: 'vehicle' }, labelled(ownerFields, 'Name'), undefined)
    const read = readVehicle(nameless)
    expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual(['name'])
  })

  test('the maker’s order is read with commas or blanks, also where ids hold blanks', () => {
    expect(setMakerOrder(van, 'FL, FR').makerOrder).toEqual(['FL', 'FR'])
    expect(setMakerOrder(van, 'FL FR RL').makerOrder).toEqual(['FL', 'FR', 'RL'])
    expect(setMakerOrder(van, ' ').makerOrder).toBeUndefined()
    const linked = vehicleFrom(examples['touring-linked']?.file)
    expect(setMakerOrder(linked, 'FL lever, R link').makerOrder).toEqual(['FL lever', 'R link'])
  })
})

test('every volume a plan rests on can be given, and left out again', () => {
  const given: [Parameters<typeof setField>[1], EditField[] | readonly EditField[], string, unknown][] = [
    [
      { in: 'parts', at: at(van, 'reservoir') },
      partFields(van.parts[at(van, 'reservoir')] as never),
      'Ports covered from',
      55,
    ],
    [
      { in: 'parts', at: at(van, 'rear left brake') },
      partFields(van.parts[at(van, 'rear left brake')] as never),
      'Dead volume',
      9,
    ],
    [{ in: 'vehicle' }, ownerFields, 'Booster', 'hydraulic'],
    [{ in: 'vehicle' }, ownerFields, 'Nuts a wheel', 5],
  ]
  for (const [target, fields, label, value] of given) {
    const field = labelled(fields, label)
    const changed = setField(van, target, field, value)
    expect([label, readVehicle(changed).ok]).toEqual([label, true])
    expect(valueAt(changed, target, field)).toBe(value)
    expect(valueAt(setField(changed, target, field, undefined), target, field)).toBeUndefined()
  }
})

describe('more and less', () => {
  test('a part comes with the line that feeds it, both marked as assumed, and the file still reads', () => {
    const more = addPart(van, 'wheel-brake', 'rear valve', 'rear')
    expect(readVehicle(more).ok).toBe(true)
    expect(more.assumed).toEqual(['wheel brake', 'wheel brake pipe'])
    expect(readVehicle(addPart(more, 'wheel-brake', 'rear valve', 'rear')).ok).toBe(true)
  })

  test('a part goes with its lines and its bleeders in the maker’s order', () => {
    const less = removePart(van, 'rear left brake')
    expect(less.makerOrder).toEqual(['RR'])
    expect(less.lines.some(({ to }) => to === 'rear left brake')).toBe(false)
    expect(readVehicle(less).ok).toBe(true)
  })

  test('what that leaves unfed is refused with its path, not hidden', () => {
    const read = readVehicle(removePart(van, 'rear valve'))
    expect(read.ok ? [] : read.faults.map(({ message }) => message.slice(0, 16))).toContain(
      'no chamber reach',
    )
  })

  test('whatever kind of part is added, the file still reads', () => {
    for (const type of addable)
      expect([type, readVehicle(addPart(van, type, 'unit', 'rear')).ok]).toEqual([type, true])
  })

  test('a bleeder goes from the maker’s order too, and a line that fed something is missed', () => {
    const less = removeBleeder(van, 'RL')
    expect(less.makerOrder).toEqual(['RR'])
    expect(readVehicle(less).ok).toBe(true)
    const read = readVehicle(
      removeLine(
        van,
        van.lines.findIndex(({ to }) => to === 'rear left brake'),
      ),
    )
    expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual([
      `parts.${at(van, 'rear left brake')}`,
    ])
  })

  test('a bleeder and a segment more', () => {
    const brake = addBleeder(van, 'rear left brake').parts[at(van, 'rear left brake')]
    expect(brake && 'bleeders' in brake && brake.bleeders.map(({ id }) => id)).toEqual([
      'RL',
      'rear left brake bleeder',
    ])
    expect(addSegment(van, 0).lines[0]?.segments.map(({ kind }) => kind)).toEqual(['tube', 'hose'])
  })
})
