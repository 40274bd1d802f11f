import { partsOf } from '../vehicle/parts'
import type { Assembly } from './build'
import type { RigRequest } from './request'

/** What stands in the vehicle as the first act begins: fluid of an age, air where it would come to rest, levels. */
export function fill(rig: Assembly, start: RigRequest['start']): void {
  const { vehicle, cells, fixed, tanks, chambers, branches } = rig
  const fresh = new Set(start.newIn)
  const ofChamber = new Map(chambers.map(({ id, cell }) => [cell, id]))
  const closed = new Set(branches.map(({ cell }) => cell))
  const named = (i: number) => [cells[i]?.of ?? '', ofChamber.get(i) ?? '']
  // Air lies where it would come to rest: at the top of a brake, else evenly.
  const holders = (id: string) => {
    const all = cells.flatMap((_, i) => (!fixed.has(i) && !closed.has(i) && named(i).includes(id) ? [i] : []))
    return partsOf(vehicle, 'wheel-brake').some((part) => part.id === id) ? all.slice(-1) : all
  }
  const air = new Map<number, number>()
  const put = (into: number[], ml: number) => {
    for (const i of into) air.set(i, (air.get(i) ?? 0) + ml / into.length)
  }
  for (const [id, ml] of Object.entries(start.airMl)) put(holders(id), ml)
  for (const [id, ml] of Object.entries(start.closedAirMl))
    put(
      branches.filter(({ unit }) => unit === id).map(({ cell }) => cell),
      ml,
    )
  for (const [i, cell] of cells.entries()) {
    if (fixed.has(i)) continue
    const isNew = named(i).some((id) => fresh.has(id))
    cell.fill(isNew ? 0 : start.oldPct / 100, air.get(i) ?? 0)
  }
  for (const tank of tanks) {
    tank.levelMl = start.levelMl[tank.id] ?? tank.maxMl
    tank.oldMl = fresh.has(tank.id) ? 0 : (tank.levelMl * start.oldPct) / 100
  }
}
