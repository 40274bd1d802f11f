import { expect, test } from 'vitest'
import { examples } from '~core/vehicle/examples'
import { partsOf } from '~core/vehicle/parts'
import { done, press, rigOf } from '~test/worlds/rig-of'
import { carFile, vehicleFrom } from '~test/worlds/vehicles'

const pull = (bleeder: string, cylinder: string) => [
  { do: 'press', cylinder, effortN: 150, overS: 0.2, for: 0.5 },
  { do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 1.5 },
  { do: 'close', bleeder, for: 0.2 },
  { do: 'release', cylinder, overS: 0.2, for: 2 },
]
const tenPulls = (bleeder: string, cylinder: string) =>
  Array.from({ length: 10 }, () => pull(bleeder, cylinder)).flat()

test('a bleeder that is not the highest place leaves the air where it is; one that is brings it', () => {
  const corner = { id: 'rr', position: 'rear-right', lengthM: 2, circuit: 'A' }
  const came = (faults: object[]) =>
    done(
      rigOf(carFile([corner]), { start: { airMl: { 'brake-rr': 3 } }, faults }),
      ...tenPulls('rr', 'mc'),
    ).came.get('rr')?.airMl ?? 0
  expect(came([])).toBeGreaterThan(2.5)
  expect(came([{ kind: 'bleeder-low', at: 'brake-rr' }])).toBeLessThan(0.3)
})

test('air in a unit where pressure comes and flow does not: felt at the pedal, seen at no bleeder, brought by cycles', () => {
  const vehicle = vehicleFrom(examples['parcel-van']?.file ?? {})
  const [unit] = partsOf(vehicle, 'control-unit')
  const [cylinder] = partsOf(vehicle, 'master-cylinder')
  if (!unit || !cylinder) throw new Error('the van has a unit')
  const pressed = [{ kind: 'branch-pressed', at: unit.id }]
  const standing = (closedMl: number, faults: object[]) =>
    rigOf(vehicle, { start: { closedAirMl: { [unit.id]: closedMl } }, faults })
  const travelMm = (closedMl: number, faults: object[]) => {
    const rig = done(standing(closedMl, faults), { ...press(200), cylinder: cylinder.id })
    return rig.pedalMm(cylinder.id)
  }
  expect(travelMm(2, pressed) - travelMm(0, pressed)).toBeGreaterThan(5)
  expect(Math.abs(travelMm(2, []) - travelMm(0, []))).toBeLessThan(0.1)

  const [wheel] = partsOf(vehicle, 'wheel-brake')
  const bleeder = wheel?.bleeders[0]?.id ?? ''
  const rig = done(standing(2, pressed), ...tenPulls(bleeder, cylinder.id))
  expect(rig.came.get(bleeder)?.airMl ?? 0).toBeLessThan(0.05)
  done(rig, { do: 'cycle', unit: unit.id, for: 20 }, ...tenPulls(bleeder, cylinder.id))
  expect(rig.came.get(bleeder)?.airMl ?? 0).toBeGreaterThan(0.3)
})
