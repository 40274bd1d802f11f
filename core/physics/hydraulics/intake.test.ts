import { expect, test } from 'vitest'
import { rigOf } from '~test/worlds/rig-of'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { fluidOf } from '../../fluid/specs'
import { liquidAt } from '../../technique/corner-flow'
import { flowsTogether } from '../../technique/open-network'
import { routedBleeders } from '../../vehicle/network'
import { usualBleeder } from './bleeder'
import { headKPa } from './flow'
import { intakeDropKPa, usualIntake } from './intake'

const liquid = { mm2PerS: 15.5, densityKgM3: 1060 }

test('the port alone takes it up to what folds the cup; from there on little more is taken, and never less', () => {
  const at = [0, 5, 10, 20, 40, 80, 160, 320].map((mlPerMin) => intakeDropKPa(mlPerMin, liquid))
  expect(at[0]).toBe(0)
  expect(at[3]).toBeCloseTo(2.9, 1)
  for (const [i, kPa] of at.entries()) if (i > 0) expect(kPa).toBeGreaterThan(at[i - 1] ?? 0)
  expect(at[7]).toBeLessThan(usualIntake.cupCracksKPa + 3)
})

test('bottles under their own head pass what the rig passes, one alone and four together: within 8 %', () => {
  const vehicle = vehicleFrom(carFile(fourCorners))
  const fluid = fluidOf(vehicle.fluid.spec)
  const kPa = headKPa(0.6, fluid.densityKgM3)
  const routes = routedBleeders(vehicle).flatMap(({ bleeder, route }) =>
    route ? { id: bleeder.id, route } : [],
  )
  for (const open of [...routes.map((each) => [each]), routes]) {
    const rig = rigOf(vehicle)
    for (const { id } of open) rig.do({ do: 'open', bleeder: id, turns: 0.5, hose: 'under-fluid', for: 0.1 })
    // The first of it only fills what swells.
    rig.do({ do: 'wait', for: 30 })
    const before = open.map(({ id }) => rig.came.get(id)?.ml ?? 0)
    rig.do({ do: 'wait', for: 60 })
    const expected = flowsTogether(open, kPa, liquidAt({ fluid, tempC: 20 }), usualBleeder, intakeDropKPa)
    for (const [i, { id }] of open.entries()) {
      const came = (rig.came.get(id)?.ml ?? 0) - (before[i] ?? 0)
      expect(Math.abs(came / (expected.get(id) ?? 0) - 1)).toBeLessThan(0.08)
    }
  }
})
