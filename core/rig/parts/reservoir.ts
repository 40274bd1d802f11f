import type { PartOf } from '../../vehicle/schema'
import { portsCovered } from '../../vehicle/usual-volumes'
import type { Assembly } from '../build'

/** A level over ports, and a lid that may be under pressure. */
export function addReservoir(rig: Assembly, part: PartOf<'reservoir'>): void {
  rig.tanks.push({
    id: part.id,
    cell: rig.outside({ of: part.id, heightM: rig.heightM(part.id, 0), baseMl: 0 }),
    maxMl: part.maxMl,
    minMl: part.minMl,
    portsMl: portsCovered(rig.vehicle, part).ml,
    levelMl: part.maxMl,
    oldMl: part.maxMl,
    frothMl: 0,
    pressureKPa: 0,
  })
}
