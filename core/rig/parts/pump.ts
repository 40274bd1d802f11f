import type { PartOf } from '../../vehicle/schema'
import type { Assembly } from '../build'
import { inSeries, ofHole } from '../link'
import { usual } from '../usual'

/** What stands in a pump. @source from memory */
const PUMP_ML = 2

/**
 * A pump inside a by-wire unit. At rest its valves leave a way from the reservoir; while it runs it pushes outwards alone,
 * the less the more it works against.
 */
export function addPump(rig: Assembly, part: PartOf<'pump'>): void {
  const tank = rig.tanks.find(({ id }) => id === part.fedBy)
  if (!tank) return
  const cell = rig.cell({ of: part.id, heightM: 0, baseMl: PUMP_ML })
  const way = ofHole(2, { boreMm: 2, lengthM: 0.05 }, rig.liquid)
  const link = rig.link({ from: tank.cell, to: cell, out: way, takesBack: 'air-first' })
  const { stallKPa, freeMlPerS } = usual.pump
  const works = inSeries(way, { laminar: stallKPa / freeMlPerS, square: 0 })
  rig.pumps.push({
    id: part.id,
    link,
    running: { boostKPa: stallKPa, out: works, back: 'none' },
    resting: { boostKPa: 0, out: way, back: way },
  })
  rig.doors.set(part.id, { in: cell, out: cell })
}
