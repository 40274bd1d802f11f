import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import type { Vehicle } from '../../vehicle/schema'
import { sayMetric } from '../../words'
import { checksFor, proofWays } from './checks'

const idsOf = (vehicle: Vehicle) => checksFor({ vehicle }).map(({ id }) => id)
/** The plain car with every wheel brake changed. */
const withBrakes = (change: object) =>
  vehicleFrom({
    ...carFile(fourCorners),
    parts: carFile(fourCorners).parts.map((part) =>
      part.type === 'wheel-brake' ? { ...part, ...change } : part,
    ),
  })

describe('what a vehicle has decides what it is asked (common practice)', () => {
  test('an electric parking brake is brought out of service mode; a built-in one is adjusted before travel is judged', () => {
    expect(idsOf(withBrakes({ parkingBrake: 'electric' }))).toContain('parking-electric')
    expect(idsOf(withBrakes({ parkingBrake: 'built-in' }))).toContain('parking-built-in')
    const plain = idsOf(withBrakes({}))
    expect(plain).toContain('parking-brake')
    for (const id of ['parking-electric', 'parking-built-in']) expect(plain).not.toContain(id)
    expect(idsOf(withBrakes({ parkingBrake: 'none' }))).not.toContain('parking-brake')
  })

  test('one circuit for the pedal is looked at end to end; two circuits and a lever are not', () => {
    expect(idsOf(demoVehicle('charabanc'))).toContain('single-circuit')
    for (const name of ['post-van-lhd', 'courier-motorcycle'] as const)
      expect(idsOf(demoVehicle(name))).not.toContain('single-circuit')
  })

  test('stands and wheel nuts are asked where a wheel comes off, and nowhere else', () => {
    const asked = (vehicle: Vehicle, more: object = {}) => {
      const job = ScriptedJob.planned(vehicle, { reason: 'service', ...more }, ['two-person', 'solo'], 300)
      const steps = job.run.stages.flatMap(({ stage }) => stage.before.map(({ id }) => id))
      return [steps.includes('stands'), checksFor(job.state).some(({ id }) => id === 'wheel-nuts')]
    }
    const car = vehicleFrom(carFile(fourCorners))
    expect(asked(car)).toEqual([true, true])
    expect(asked(car, { wheelsOff: ['brake-fl'] })).toEqual([true, true])
    expect(asked(car, { wheelsOff: [] })).toEqual([false, false])
    expect(asked(demoVehicle('courier-motorcycle'))).toEqual([false, false])
  })

  test('drums are adjusted before the pedal is judged', () => {
    const ids = idsOf(demoVehicle('charabanc'))
    expect(ids.indexOf('shoes-adjusted')).toBeLessThan(ids.indexOf('pedal-high'))
  })

  test('pads are seated by pedal before anything moves, and the yard comes before the road', () => {
    const ids = idsOf(demoVehicle('post-van-lhd'))
    const order = ['pads-seated', 'joints-dry', 'wheel-nuts', 'low-speed', 'road-test', 'level-again']
    expect(order.map((id) => ids.indexOf(id))).toEqual(
      order.map((id) => ids.indexOf(id)).toSorted((a, b) => a - b),
    )
  })

  test('where the plan ran the unit, the pedal is judged again after the unit has worked', () => {
    const van = demoVehicle('post-van-lhd')
    const asks = (work: object) =>
      checksFor(ScriptedJob.planned(van, work, ['two-person', 'control-unit']).state).some(
        ({ id }) => id === 'unit-worked',
      )
    expect(asks({ reason: 'repair', replaced: ['unit'] })).toBe(true)
    expect(asks({ reason: 'service' })).toBe(false)
  })
})

describe('every check there is', () => {
  const everything = [
    ...new Map(
      [
        demoVehicle('charabanc'),
        demoVehicle('courier-motorcycle'),
        withBrakes({ parkingBrake: 'electric' }),
        withBrakes({ parkingBrake: 'built-in', brake: 'drum' }),
      ]
        .flatMap((vehicle) => checksFor({ vehicle, extraChecks: ['pads-clean'] }))
        .map((check) => [check.id, check]),
    ).values(),
  ]

  test.each(everything.map((check) => [check.id, check] as const))(
    '%s says how it is done, and where it leads when it fails',
    (id, { way, measure, holdS }) => {
      const how = sayMetric({ code: `proof-${id}-how` })
      expect(how).toMatch(/\.$/)
      expect(sayMetric({ code: `proof-${id}-fails` })).toMatch(/\.$/)
      expect(proofWays).toContain(way)
      if (measure) expect(measure.max).toBeGreaterThanOrEqual(0)
      if (holdS !== undefined) expect(how).toContain(`${holdS} s`)
    },
  )
})
