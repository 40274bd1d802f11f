import { ATMOSPHERE_KPA } from '../physics/atmosphere'
import type { Cell } from './cell'
import type { Link, Takes } from './link'
import { usual } from './usual'

/** What went through one link in a step: liquid, of which old, and air at atmospheric pressure; all in mL, above 0. */
export type Carried = { from: number; to: number; liquidMl: number; oldMl: number; airMl: number }

/** What stands outside the forest: a reservoir, the air, a bottle. It gives what it has and takes what comes. */
export type Outside = {
  /** Old share of the liquid it gives, and which part of what it gives is air. */
  gives: () => { oldShare: number; airShare: number }
  takes: (carried: Carried) => void
  lost: (carried: Carried) => void
}

/** Which part of a volume that leaves a cell is air. */
function airShare(cell: Cell, takes: Takes, leavesMl: number, speedMPerS: number): number {
  const bubbleMl = cell.bubbleMl
  if (bubbleMl <= 0) return 0
  const liquidMl = Math.max(0, cell.liquidMl)
  if (takes === 'air-first') return Math.min(1, bubbleMl / leavesMl)
  if (takes === 'liquid-first') return Math.max(0, Math.min(1, 1 - liquidMl / leavesMl))
  const mixed = bubbleMl / (bubbleMl + liquidMl)
  // In a tube a bubble stays behind until the flow is quick enough for it.
  return cell.boreMm === undefined ? mixed : mixed * Math.min(1, speedMPerS / usual.carriesMPerS)
}

/**
 * Carry liquid, its age and air along the flows of a step. Old share is worked out in the order of the flow and with
 * what has come in already (implicit upwind), so that no step is too long for it; what leaves one cell enters the next to
 * the last digit.
 *
 * @param outside by cell, of those that are no part of the forest
 */
export function carry(
  cells: readonly Cell[],
  links: readonly Link[],
  outside: ReadonlyMap<number, Outside>,
  dt: number,
): void {
  const into = cells.map((): number[] => [])
  const waiting = new Int32Array(cells.length)
  const leaving = cells.map((): number[] => [])
  for (const [l, link] of links.entries()) {
    if (link.flow === 0) continue
    const [from, to] = link.flow > 0 ? [link.from, link.to] : [link.to, link.from]
    leaving[from]?.push(l)
    if (outside.has(to)) continue
    into[to]?.push(l)
    if (!outside.has(from)) waiting[to] = (waiting[to] as number) + 1
  }
  const came = new Map<number, Carried>()
  const send = (l: number, oldShare: number, air: number, mlOut: number, kPa: number) => {
    const link = links[l] as Link
    const [from, to] = link.flow > 0 ? [link.from, link.to] : [link.to, link.from]
    const liquidMl = mlOut * (1 - air)
    const carried = {
      from,
      to,
      liquidMl,
      oldMl: liquidMl * oldShare,
      airMl: (mlOut * air * (kPa + ATMOSPHERE_KPA)) / ATMOSPHERE_KPA,
    }
    outside.get(from)?.lost(carried)
    const target = outside.get(to)
    if (target) target.takes(carried)
    else came.set(l, carried)
    return carried
  }
  for (const [i, place] of outside) {
    for (const l of leaving[i] ?? []) {
      const { oldShare, airShare: air } = place.gives()
      send(l, oldShare, air, Math.abs((links[l] as Link).flow) * dt, (cells[i] as Cell).kPa)
    }
  }
  const ready = cells.flatMap((_, i) => (!outside.has(i) && waiting[i] === 0 ? [i] : []))
  for (let i = ready.pop(); i !== undefined; i = ready.pop()) {
    const cell = cells[i] as Cell
    const leaves = leaving[i] ?? []
    // Which part of what leaves is air goes by what stood here before.
    const shares = leaves.map((l) => {
      const link = links[l] as Link
      const takes = link.flow > 0 ? link.takesOut : link.takesBack
      const ml = Math.abs(link.flow) * dt
      const bore = cell.boreMm ?? 1
      return airShare(cell, takes, ml, Math.abs(link.flow) / ((Math.PI / 4) * bore * bore))
    })
    for (const l of into[i] ?? []) {
      const carried = came.get(l)
      if (!carried) continue
      cell.liquidMl += carried.liquidMl
      cell.oldMl += carried.oldMl
      cell.airMl += carried.airMl
    }
    const oldShare = cell.oldShare
    for (const [k, l] of leaves.entries()) {
      const ml = Math.abs((links[l] as Link).flow) * dt
      const most = (cell.airMl * ATMOSPHERE_KPA) / (cell.kPa + ATMOSPHERE_KPA) / Math.max(ml, 1e-300)
      const carried = send(l, oldShare, Math.min(shares[k] ?? 0, most), ml, cell.kPa)
      cell.liquidMl -= carried.liquidMl
      cell.oldMl -= carried.oldMl
      cell.airMl = Math.max(0, cell.airMl - carried.airMl)
      const to = carried.to
      if (outside.has(to)) continue
      waiting[to] = (waiting[to] as number) - 1
      if (waiting[to] === 0) ready.push(to)
    }
  }
}
