import { ATMOSPHERE_KPA } from '../physics/atmosphere'
import { headKPa } from '../physics/hydraulics/flow'
import type { Cell } from './cell'
import type { Link } from './link'

const MOST_PASSES = 14
/** One that still is so far off by this pass had better be a shorter step. */
const BY_PASS = 6
const FAR_OFF_ML = 0.02
/** Nothing moves that anybody could see. */
const CLOSE_ENOUGH_ML = 1e-9
/** More than this would be seen in what the cells hold. */
const SEEN_ML = 1e-5

/**
 * Cells and links as one system of pressures. It knows nothing of brakes: `fixed` cells keep the pressure they are given
 * (the air, a reservoir), the others are nearly always a forest, so that elimination runs once down and once up for each
 * pass. Where a part is reached in two ways the whole system is eliminated instead.
 */
export class Network {
  /** Unknown cells, each after the one it hangs on. */
  private readonly order: number[] = []
  /** By unknown cell: the one it hangs on, or −1, and the link between. */
  private readonly parent: Int32Array
  private readonly parentLink: Int32Array
  private readonly diagonal: Float64Array
  private readonly beside: Float64Array
  private readonly right: Float64Array
  private readonly trial: Float64Array
  private readonly headKPa: Float64Array
  private readonly slopes: Float64Array
  /** Links beyond the forest, and the whole system for them. */
  private readonly loops: number[] = []
  private readonly whole: Float64Array

  constructor(
    readonly cells: readonly Cell[],
    readonly links: readonly Link[],
    readonly fixed: ReadonlySet<number>,
    densityKgM3: number,
  ) {
    const n = cells.length
    this.parent = new Int32Array(n).fill(-1)
    this.parentLink = new Int32Array(n).fill(-1)
    this.diagonal = new Float64Array(n)
    this.beside = new Float64Array(n)
    this.right = new Float64Array(n)
    this.trial = new Float64Array(n)
    this.slopes = new Float64Array(links.length)
    this.headKPa = Float64Array.from(cells, ({ heightM }) => headKPa(heightM, densityKgM3))
    const touching = cells.map((): number[] => [])
    for (const [l, { from, to }] of links.entries()) {
      if (fixed.has(from) || fixed.has(to)) continue
      touching[from]?.push(l)
      touching[to]?.push(l)
    }
    const seen = new Set<number>(fixed)
    for (let root = 0; root < n; root++) {
      if (seen.has(root)) continue
      seen.add(root)
      const open = [root]
      for (let at = open.pop(); at !== undefined; at = open.pop()) {
        this.order.push(at)
        for (const l of touching[at] ?? []) {
          const link = links[l] as Link
          const other = link.from === at ? link.to : link.from
          if (seen.has(other)) continue
          seen.add(other)
          this.parent[other] = at
          this.parentLink[other] = l
          open.push(other)
        }
      }
    }
    for (const [l, { from, to }] of links.entries())
      if (!fixed.has(from) && !fixed.has(to) && this.parentLink[from] !== l && this.parentLink[to] !== l)
        this.loops.push(l)
    this.whole = new Float64Array(this.loops.length > 0 ? this.order.length ** 2 : 0)
  }

  /**
   * Pressures and flows at the end of a step, by Newton's method; what the cells hold stays as it is.
   *
   * @returns false where it did not settle: the step was too long, and they are as near as it came
   */
  solve(dt: number): boolean {
    const { cells, links, trial, diagonal, beside, right, order } = this
    for (const [i, cell] of cells.entries()) trial[i] = cell.kPa
    // Ways that differ out and back can throw it to and fro: then it goes in smaller strides.
    let settled = false
    let [stride, before] = [1, Number.POSITIVE_INFINITY]
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      let worst = 0
      for (const i of order) {
        const cell = cells[i] as Cell
        const kPa = trial[i] as number
        diagonal[i] = cell.slope(kPa, dt)
        right[i] = cell.contentsMl(kPa) - cell.roomMl(kPa, dt)
        beside[i] = 0
      }
      for (const [l, link] of links.entries()) {
        const { from, to } = link
        const { flow, slope } = link.at(this.drop(link, trial))
        const moved = flow * dt
        this.slopes[l] = slope * dt
        if (!this.fixed.has(from)) {
          right[from] = (right[from] as number) - moved
          diagonal[from] = (diagonal[from] as number) + slope * dt
        }
        if (!this.fixed.has(to)) {
          right[to] = (right[to] as number) + moved
          diagonal[to] = (diagonal[to] as number) + slope * dt
        }
        if (this.parentLink[to] === l || this.parentLink[from] === l)
          beside[this.parentLink[to] === l ? to : from] = slope * dt
      }
      for (const i of order) worst = Math.max(worst, Math.abs(right[i] as number))
      if (worst < CLOSE_ENOUGH_ML) {
        settled = true
        break
      }
      stride = worst > (1 - 0.4 * stride) * before ? Math.max(0.1, stride / 2) : Math.min(1, 2 * stride)
      before = worst
      if (this.loops.length > 0) this.eliminateWhole()
      else this.eliminate()
      this.move(dt, stride)
      settled = worst <= SEEN_ML
      if (pass >= BY_PASS && worst > FAR_OFF_ML) break
    }
    for (const i of order) (cells[i] as Cell).kPa = trial[i] as number
    for (const link of links) link.flow = link.at(this.drop(link, trial)).flow
    return settled
  }

  private drop({ from, to }: Link, kPa: Float64Array): number {
    return (
      (kPa[from] as number) +
      (this.headKPa[from] as number) -
      (kPa[to] as number) -
      (this.headKPa[to] as number)
    )
  }

  /** One linear system: leaves into what they hang on, then back up. */
  private eliminate(): void {
    const { order, parent, diagonal, beside, right } = this
    for (let k = order.length - 1; k >= 0; k--) {
      const i = order[k] as number
      const up = parent[i] as number
      if (up < 0) continue
      const share = (beside[i] as number) / (diagonal[i] as number)
      diagonal[up] = (diagonal[up] as number) - share * (beside[i] as number)
      right[up] = (right[up] as number) + share * (right[i] as number)
    }
    for (const i of order) {
      const up = parent[i] as number
      const above = up < 0 ? 0 : (beside[i] as number) * (right[up] as number)
      right[i] = ((right[i] as number) + above) / (diagonal[i] as number)
    }
  }

  /** The same for any network: Gauss’s elimination, without pivots, since every diagonal outweighs its row. */
  private eliminateWhole(): void {
    const { order, diagonal, right, whole, links, slopes } = this
    const n = order.length
    const place = new Map(order.map((i, k) => [i, k]))
    whole.fill(0)
    for (const [k, i] of order.entries()) whole[k * n + k] = diagonal[i] as number
    for (const [l, { from, to }] of links.entries()) {
      const [a, b] = [place.get(from), place.get(to)]
      if (a === undefined || b === undefined) continue
      const coupling = slopes[l] as number
      whole[a * n + b] = (whole[a * n + b] as number) - coupling
      whole[b * n + a] = (whole[b * n + a] as number) - coupling
    }
    const values = Float64Array.from(order, (i) => right[i] as number)
    for (let k = 0; k < n; k++)
      for (let row = k + 1; row < n; row++) {
        const factor = (whole[row * n + k] as number) / (whole[k * n + k] as number)
        if (factor === 0) continue
        for (let column = k; column < n; column++)
          whole[row * n + column] =
            (whole[row * n + column] as number) - factor * (whole[k * n + column] as number)
        values[row] = (values[row] as number) - factor * (values[k] as number)
      }
    for (let k = n - 1; k >= 0; k--) {
      let sum = values[k] as number
      for (let column = k + 1; column < n; column++)
        sum -= (whole[k * n + column] as number) * (values[column] as number)
      values[k] = sum / (whole[k * n + k] as number)
      right[order[k] as number] = values[k] as number
    }
  }

  /** Pressures of the next pass: so much of the change that was found, and half way to a vacuum at most. */
  private move(dt: number, stride: number): void {
    for (const i of this.order) {
      const kPa = this.trial[i] as number
      const next = Math.max((kPa - ATMOSPHERE_KPA) / 2, kPa + stride * (this.right[i] as number))
      this.trial[i] = (this.cells[i] as Cell).clip(kPa, next, dt)
    }
  }
}
