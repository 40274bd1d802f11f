import { usual } from '../rig/usual'
import { reservoirIdOf, routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'

/** Where a bleeder's fluid comes from, and whose foot drives it; none where only a pump does. */
export type Feed = { reservoir: string; foot?: { cylinder: string; effortN: number } }

/** A foot that bleeds, and the stop it would make, kPa. @source from memory */
const BLEEDING_KPA = 700
/** A return spring at rest, and what it gains on the way. @source from memory */
const SPRINGS = 1.6

/** By bleeder id; left out where nothing reaches it. */
export function feedsOf(vehicle: Vehicle): Map<string, Feed> {
  const cylinders = partsOf(vehicle, 'master-cylinder')
  return new Map(
    routedBleeders(vehicle).flatMap(({ bleeder, part, route }): [string, Feed][] => {
      const source = route?.sourceId ?? (part.type === 'master-cylinder' ? part.chambers[0]?.id : undefined)
      if (source === undefined) return []
      const reservoir = reservoirIdOf(vehicle, source) ?? ''
      const cylinder = cylinders.find(({ chambers }) => chambers.some(({ id }) => id === source))
      const chamber = cylinder?.chambers.find(({ id }) => id === source)
      if (!cylinder || !chamber) return [[bleeder.id, { reservoir }]]
      const areaMm2 = (Math.PI / 4) * chamber.boreMm ** 2
      const effortN = ((BLEEDING_KPA * areaMm2) / 1000 + SPRINGS * usual.springN) / cylinder.pedalRatio
      return [[bleeder.id, { reservoir, foot: { cylinder: cylinder.id, effortN } }]]
    }),
  )
}
