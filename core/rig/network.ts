import { ATMOSPHERE_KPA } from '../physics/atmosphere'
import { headKPa } from '../physics/hydraulics/flow'
import type { Cell } from './cell'
import { Forest, LOOP } from './forest'
import type { Link } from './link'

const MOST_PASSES = 30
/** Nothing moves that anybody could see; what is left over heals in the next step. */
const CLOSE_ENOUGH_ML = 1e-6
/** More than this would be seen in what the cells hold. */
const SEEN_ML = 1e-5
/** A stride has gone too far once what it fell by rises again by this part of how it fell. */
const RISES_AGAIN = 0.5
const SHORTEST_STRIDE = 0.02

/** A chamber, the cell around its piston, and the link between them. */
export type Ring = { chamber: number; ring: number; link: number }

/**
 * Cells and links as one system of pressures. It knows nothing of brakes: `fixed` cells keep the pressure they are given
 * (the air, a reservoir), the others find theirs.
 *
 * What a cell holds too much falls as its pressure grows, and each flow grows with its drop, so that the pressures sought
 * are the lowest point of a convex function: Newton's method with strides that stop where it would rise again finds them
 * from anywhere, across the kinks of pistons, cups and valves too.
 */
export class Network {
  private readonly forest: Forest
  private readonly given: Uint8Array
  private readonly headKPa: Float64Array
  /** Links through which anything can pass in this step. */
  private readonly ways: number[] = []
  private readonly trial: Float64Array
  private readonly gapMl: Float64Array
  private readonly stride: Float64Array

  constructor(
    readonly cells: readonly Cell[],
    readonly links: readonly Link[],
    fixed: ReadonlySet<number>,
    densityKgM3: number,
    private readonly rings: readonly Ring[] = [],
  ) {
    this.forest = new Forest(cells.length, links, fixed)
    this.given = Uint8Array.from(cells, (_, i) => (fixed.has(i) ? 1 : 0))
    this.headKPa = Float64Array.from(cells, ({ heightM }) => headKPa(heightM, densityKgM3))
    this.trial = new Float64Array(cells.length)
    this.gapMl = new Float64Array(cells.length)
    this.stride = new Float64Array(cells.length)
  }

  /**
   * Pressures and flows at the end of a step; what the cells hold stays as it is.
   *
   * @returns false where they did not settle: the step was too long, and they are as near as they came
   */
  solve(dt: number): boolean {
    const { cells, links, trial, ways } = this
    const { order } = this.forest
    for (let i = 0; i < cells.length; i++) trial[i] = (cells[i] as Cell).kPa
    // No stride of this step yet: one of the last step's would be gone back along.
    this.stride.fill(0)
    ways.length = 0
    for (let l = 0; l < links.length; l++) {
      const link = links[l] as Link
      if (link.begin()) ways.push(l)
      else link.flow = 0
    }
    let settled = false
    let found = false
    // How steeply the last stride began to fall; none yet.
    let fell = 0
    let length = 1
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      const worstMl = this.balance(dt)
      settled = worstMl <= SEEN_ML
      found = worstMl < CLOSE_ENOUGH_ML
      if (found) break
      const falls = this.fallsBy()
      if (falls < -RISES_AGAIN * fell && length > SHORTEST_STRIDE) {
        // It rises again: back to where it would lie flat, as the two slopes tell.
        const share = Math.max(0.1, Math.min(0.9, fell / (fell - falls)))
        length = this.goBack(length, share)
        fell *= share
        continue
      }
      this.takeStride(dt)
      fell = this.fallsBy()
      length = 1
    }
    this.tellRings()
    for (let k = 0; k < order.length; k++) {
      const i = order[k] as number
      ;(cells[i] as Cell).kPa = trial[i] as number
    }
    for (let k = 0; k < ways.length; k++) {
      const link = links[ways[k] as number] as Link
      // What was last tried holds, where that was the end of it.
      if (!found) link.pass(this.drop(link))
      link.flow = link.trialFlow
    }
    return settled
  }

  /** What stands before a piston and before its ring moves both, so each is told the pressure tried in the other. */
  private tellRings(): void {
    for (const { chamber, ring } of this.rings) {
      const cell = this.cells[chamber] as Cell
      cell.trialKPa = this.trial[chamber] as number
      if (cell.piston?.ring) cell.piston.ring.kPa = this.trial[ring] as number
    }
  }

  private drop({ from, to, boostKPa }: Link): number {
    const { trial, headKPa: head } = this
    const behind = (trial[from] as number) + (head[from] as number)
    const ahead = (trial[to] as number) + (head[to] as number)
    return behind + boostKPa - ahead
  }

  /** What each cell holds too much at the pressures tried, and how that changes with them. @returns the most, mL */
  private balance(dt: number): number {
    const { cells, links, trial, gapMl, given, ways } = this
    const { order, diagonal, coupling, hangs } = this.forest
    this.tellRings()
    for (let k = 0; k < order.length; k++) {
      const i = order[k] as number
      const cell = cells[i] as Cell
      cell.pass(trial[i] as number, dt)
      diagonal[i] = cell.trialSlope
      gapMl[i] = cell.trialGapMl
      coupling[i] = 0
    }
    for (let k = 0; k < ways.length; k++) {
      const l = ways[k] as number
      const link = links[l] as Link
      const { from, to } = link
      link.pass(this.drop(link))
      const movedMl = link.trialFlow * dt
      const slope = link.trialSlope * dt
      if (given[from] === 0) gapMl[from] = (gapMl[from] as number) - movedMl
      if (given[to] === 0) gapMl[to] = (gapMl[to] as number) + movedMl
      const hanging = hangs[l] as number
      if (hanging === LOOP) continue
      if (given[from] === 0) diagonal[from] = (diagonal[from] as number) + slope
      if (given[to] === 0) diagonal[to] = (diagonal[to] as number) + slope
      if (hanging >= 0) coupling[hanging] = slope
    }
    // A piston gives way to the pressure of its ring as to its own: each one's room grows with the other's pressure.
    for (const { ring, link } of this.rings) {
      const hanging = hangs[link] as number
      coupling[hanging] = (coupling[hanging] as number) - (cells[ring] as Cell).sharedSlope
    }
    let worstMl = 0
    for (let k = 0; k < order.length; k++)
      worstMl = Math.max(worstMl, Math.abs(gapMl[order[k] as number] as number))
    return worstMl
  }

  /** How steeply the function falls along the last stride, at the pressures tried. */
  private fallsBy(): number {
    const { order } = this.forest
    let sum = 0
    for (let k = 0; k < order.length; k++) {
      const i = order[k] as number
      sum += (this.gapMl[i] as number) * (this.stride[i] as number)
    }
    return sum
  }

  /** To where straight lines put it, and half way to a vacuum at most. */
  private takeStride(dt: number): void {
    const { forest, trial, stride, gapMl } = this
    const { order } = forest
    stride.set(gapMl)
    forest.eliminate()
    forest.substitute(stride)
    if (forest.loops.length > 0)
      forest.addLoops(stride, this.links, (l) => {
        const { open, trialSlope } = this.links[l] as Link
        return open === 0 ? 0 : trialSlope * dt
      })
    for (let k = 0; k < order.length; k++) {
      const i = order[k] as number
      const kPa = trial[i] as number
      const next = Math.max((kPa - ATMOSPHERE_KPA) / 2, kPa + (stride[i] as number))
      trial[i] = next
      stride[i] = next - kPa
    }
  }

  /** So much of the stride only. @returns how long it is now */
  private goBack(length: number, share: number): number {
    const { order } = this.forest
    for (let k = 0; k < order.length; k++) {
      const i = order[k] as number
      const whole = this.stride[i] as number
      this.trial[i] = (this.trial[i] as number) - (1 - share) * whole
      this.stride[i] = share * whole
    }
    return length * share
  }
}
