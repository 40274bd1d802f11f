import { ATMOSPHERE_KPA } from '../physics/atmosphere'
import type { Cell } from './cell'
import type { Link, Takes } from './link'
import type { TubeEnd } from './tube'
import { usual } from './usual'

/** What went through one link in a step: liquid, of which old, and air at atmospheric pressure; all in mL, above 0. */
export type Carried = { liquidMl: number; oldMl: number; airMl: number }

/** What stands outside the forest: a reservoir, the air, a bottle. It gives what it has and takes what comes. */
export type Outside = {
  /** Old share of the liquid it gives, and which part of what it gives is air. */
  gives: () => { oldShare: number; airShare: number }
  takes: (carried: Carried) => void
  lost: (carried: Carried) => void
}

/** So small a part of a volume changes nothing, and divides badly. */
const NOTHING = 1e-12

/** Which part of a volume that leaves a cell is air. */
function airShare(cell: Cell, takes: Takes, leavesMl: number, speedMPerS: number): number {
  if (cell.airMl <= 0) return 0
  const bubbleMl = cell.bubbleMl
  const liquidMl = Math.max(0, cell.liquidMl)
  if (takes === 'air-first') return Math.min(1, bubbleMl / leavesMl)
  if (takes === 'liquid-first') return Math.max(0, Math.min(1, 1 - liquidMl / leavesMl))
  const mixed = bubbleMl / (bubbleMl + liquidMl)
  // In a tube a bubble stays behind until the flow is quick enough for it.
  return cell.boreMm === undefined ? mixed : mixed * Math.min(1, speedMPerS / usual.carriesMPerS)
}

/**
 * Carries liquid, its age and air along the flows of a step. Old share is worked out in the order of the flow and with
 * what has come in already, so that no step is too long for it; what leaves one cell enters the next to the last digit.
 */
export class Transport {
  /** Of each cell the links that touch it. */
  private readonly touching: Int32Array[]
  /** How many of a cell's links still have to bring what they carry. */
  private readonly waiting: Int32Array
  private readonly liquidMl: Float64Array
  private readonly oldMl: Float64Array
  private readonly airMl: Float64Array
  /** Which part of what a link carries is air. */
  private readonly share: Float64Array
  private readonly ready: number[] = []
  private readonly places: readonly [cell: number, Outside][]
  private readonly isOutside: Uint8Array

  /** @param outside by cell, of those that are no part of the forest */
  constructor(
    private readonly cells: readonly Cell[],
    private readonly links: readonly Link[],
    private readonly outside: ReadonlyMap<number, Outside>,
  ) {
    const touching = cells.map((): number[] => [])
    for (const [l, { from, to }] of links.entries()) {
      touching[from]?.push(l)
      touching[to]?.push(l)
    }
    this.touching = touching.map((all) => Int32Array.from(all))
    this.waiting = new Int32Array(cells.length)
    this.places = [...outside]
    this.isOutside = Uint8Array.from(cells, (_, i) => (outside.has(i) ? 1 : 0))
    this.liquidMl = new Float64Array(links.length)
    this.oldMl = new Float64Array(links.length)
    this.airMl = new Float64Array(links.length)
    this.share = new Float64Array(links.length)
  }

  carry(dt: number): void {
    const { cells, links, isOutside, waiting, ready } = this
    waiting.fill(0)
    for (let l = 0; l < links.length; l++) {
      const { flow, from, to } = links[l] as Link
      if (flow === 0) continue
      const source = flow > 0 ? from : to
      const target = flow > 0 ? to : from
      if (isOutside[source] === 0) waiting[target] = (waiting[target] as number) + 1
    }
    for (const [i, place] of this.places)
      for (const l of this.touching[i] as Int32Array) {
        const link = links[l] as Link
        if (!leaves(link, i)) continue
        const { oldShare, airShare: air } = place.gives()
        this.load(l, oldShare, air, Math.abs(link.flow) * dt, (cells[i] as Cell).kPa)
        place.lost(this.carried(l))
        this.unload(l)
      }
    for (let i = 0; i < cells.length; i++) if (waiting[i] === 0 && isOutside[i] === 0) ready.push(i)
    for (let i = ready.pop(); i !== undefined; i = ready.pop()) this.through(i, dt)
  }

  /** One cell: what comes in, then what leaves. */
  private through(i: number, dt: number): void {
    const { links, liquidMl, oldMl, airMl, share, waiting, ready } = this
    const cell = this.cells[i] as Cell
    const touching = this.touching[i] as Int32Array
    // Which part of what leaves is air goes by what stood here before.
    if (cell.airMl > 0)
      for (const l of touching) {
        const link = links[l] as Link
        if (!leaves(link, i)) continue
        const ml = Math.abs(link.flow)
        const bore = cell.boreMm ?? 1
        const takes = link.flow > 0 ? link.takesOut : link.takesBack
        share[l] = airShare(cell, takes, ml * dt, ml / ((Math.PI / 4) * bore * bore))
      }
    else for (const l of touching) if (leaves(links[l] as Link, i)) share[l] = 0
    let inMl = 0
    let oldInMl = 0
    for (const l of touching) {
      const link = links[l] as Link
      if (link.flow === 0 || leaves(link, i)) continue
      inMl += liquidMl[l] as number
      if (cell.tube) cell.tube.push(endOf(link, i), liquidMl[l] as number, oldMl[l] as number)
      else oldInMl += oldMl[l] as number
      cell.airMl += airMl[l] as number
    }
    const oldShare = leavingShare(cell, inMl, oldInMl)
    cell.liquidMl += inMl
    if (!cell.tube) cell.oldMl += oldInMl
    for (const l of touching) {
      const link = links[l] as Link
      if (!leaves(link, i)) continue
      const ml = Math.abs(link.flow) * dt
      const most = cell.airMl > 0 ? cell.bubbleMl / Math.max(ml, 1e-300) : 0
      const air = Math.min(share[l] as number, most)
      const leavesMl = ml * (1 - air)
      const old = cell.tube && leavesMl > 0 ? cell.tube.pop(endOf(link, i), leavesMl) / leavesMl : oldShare
      this.load(l, old, air, ml, cell.kPa)
      cell.liquidMl -= liquidMl[l] as number
      if (!cell.tube) cell.oldMl = Math.max(0, Math.min(cell.liquidMl, cell.oldMl - (oldMl[l] as number)))
      if (air > 0) cell.airMl = Math.max(0, cell.airMl - (airMl[l] as number))
      const target = this.unload(l)
      if (this.isOutside[target] === 1) continue
      waiting[target] = (waiting[target] as number) - 1
      if (waiting[target] === 0) ready.push(target)
    }
  }

  /** Put on a link what leaves by it. */
  private load(l: number, oldShare: number, air: number, ml: number, kPa: number): void {
    const liquidMl = ml * (1 - air)
    this.liquidMl[l] = liquidMl
    this.oldMl[l] = liquidMl * oldShare
    this.airMl[l] = (ml * air * (kPa + ATMOSPHERE_KPA)) / ATMOSPHERE_KPA
  }

  private carried(l: number): Carried {
    return {
      liquidMl: this.liquidMl[l] as number,
      oldMl: this.oldMl[l] as number,
      airMl: this.airMl[l] as number,
    }
  }

  /** Give it to what takes it at once. @returns where it goes to */
  private unload(l: number): number {
    const { flow, from, to } = this.links[l] as Link
    const target = flow > 0 ? to : from
    if (this.isOutside[target] === 1) this.outside.get(target)?.takes(this.carried(l))
    return target
  }
}

/**
 * Old share of what leaves a stirred volume during a step: the mean while what comes in flushes it, so that a long step
 * tells the same as many short ones.
 *
 * @source Levenspiel, the stirred tank: c(t) = cIn + (c0 − cIn)·e^(−in/volume), its mean over the step
 */
function leavingShare({ liquidMl, oldShare }: Cell, inMl: number, oldInMl: number): number {
  const flushed = inMl / Math.max(liquidMl, 1e-9)
  if (flushed < NOTHING) return oldShare
  const comes = oldInMl / inMl
  return comes + ((oldShare - comes) * -Math.expm1(-flushed)) / flushed
}

/** Which end of a tube lies at a link: all of them lead outwards. */
const endOf = ({ from }: Link, cell: number): TubeEnd => (from === cell ? 'far' : 'near')

/** Whether what a link carries comes from this cell. */
const leaves = ({ flow, from, to }: Link, cell: number): boolean =>
  (flow > 0 && from === cell) || (flow < 0 && to === cell)
