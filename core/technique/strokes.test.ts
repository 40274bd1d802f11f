import { expect, test } from 'vitest'
import { done, rigOf } from '~test/worlds/rig-of'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { mostPullMl, strokeMl } from './strokes'

/** What a whole stroke brings at an open bleeder on the rig, mL. */
function broughtMl(name: string, bleeder: string): number {
  const file = examples[name]?.file
  const rig = rigOf(file)
  const cylinder = partsOf(vehicleFrom(file), 'master-cylinder').find(({ chambers }) =>
    chambers.some(({ id }) => routed(name, bleeder)?.route?.sourceId === id),
  )?.id
  done(
    rig,
    { do: 'press', cylinder, effortN: 60, overS: 0.3, for: 1 },
    { do: 'open', bleeder, turns: 1, hose: 'under-fluid', for: 1 },
    { do: 'press', cylinder, effortN: 400, overS: 1, for: 3 },
  )
  return rig.came.get(bleeder)?.ml ?? 0
}
const routed = (name: string, id: string) =>
  routedBleeders(vehicleFrom(examples[name]?.file)).find(({ bleeder }) => bleeder.id === id)

test.each(['quarry-pickup', 'parcel-van', 'courier-twin-disc', 'ferry-estate'])(
  '%s: a whole stroke on the rig brings no more at an open bleeder than is reckoned at the most, and what runs on meanwhile',
  (name) => {
    const vehicle = vehicleFrom(examples[name]?.file)
    const footed = routedBleeders(vehicle).filter(({ part, route }) => part.type === 'wheel-brake' && route)
    for (const { bleeder, route } of footed.slice(0, 2)) {
      const most = mostPullMl(vehicle, route?.sourceId ?? '')
      if (most === undefined) continue
      const came = broughtMl(name, bleeder.id)
      expect(came, bleeder.id).toBeGreaterThan(0.5 * most)
      expect(came, bleeder.id).toBeLessThan(most + 1.5)
    }
  },
)

test('a wider first bore brings more than its chamber sweeps', () => {
  const pickup = vehicleFrom(examples['quarry-pickup']?.file)
  const wide = partsOf(pickup, 'master-cylinder').flatMap(({ chambers }) =>
    chambers.filter(({ takeUp }) => takeUp),
  )
  expect(wide.length).toBeGreaterThan(0)
  for (const { id } of wide) expect(mostPullMl(pickup, id) ?? 0).toBeGreaterThan(strokeMl(pickup, id) ?? 0)
})
