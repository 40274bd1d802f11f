import FlatQueue from 'flatqueue'
import type { Box, Cell } from './sheet'

/** Right, down, left, up. */
export type Direction = 0 | 1 | 2 | 3
const DIRECTIONS: readonly Direction[] = [0, 1, 2, 3]

/** Where a line may leave a part, and which way. */
export type Port = Cell & { out: Direction }

/** What a way costs beside its length: few bends, few crossings and room beside it make it easy to follow. */
const BEND = 3
const CROSSING = 9
/** Lines of one circuit that cross could be taken for joined, so that is the last resort. */
const CROSSING_ALIKE = 40
const BESIDE = 1.2
/** Along a part it would wall in the part's other lines; along the sheet's edge it is far from everything. */
const ALONG_PART = 2.4
/** The way left counts for more than its length, since company and bends are still to come: found sooner, hardly longer. */
const EAGERNESS = 1.6

const FREE = -1
const BLOCKED = -2

const companyOf = (owner: number) => (owner === FREE ? 0 : owner === BLOCKED ? ALONG_PART : BESIDE)

const ACROSS = 1
const ALONG = 2
const BENT = 3

/** The tracks of a sheet: which are blocked by parts, and which line goes through which point. */
export class Tracks {
  /** One blocked point more at every edge, so that no step leaves the sheet. */
  private readonly stride: number
  private readonly owner: Int16Array
  private readonly bearing: Uint8Array
  /** What each point's neighbours cost a line that goes through it. */
  private readonly company: Float32Array
  private readonly steps: readonly [number, number, number, number]
  /** What a search knows of each point and direction; its own number tells it from what earlier ones left behind. */
  private search = 0
  private readonly seenIn: Int32Array
  private readonly leftIn: Int32Array
  private readonly endOf: Int32Array
  private readonly cost: Float32Array
  private readonly came: Int32Array

  /** @param effort points that may still be looked at, over all searches that share it; at 0 nothing more is found */
  constructor(
    width: number,
    height: number,
    private readonly effort: { left: number },
  ) {
    this.stride = width + 3
    this.steps = [1, this.stride, -1, -this.stride]
    const size = this.stride * (height + 3)
    this.owner = new Int16Array(size).fill(BLOCKED)
    this.bearing = new Uint8Array(size)
    this.company = new Float32Array(size).fill(4 * ALONG_PART)
    this.seenIn = new Int32Array(4 * size)
    this.leftIn = new Int32Array(4 * size)
    this.endOf = new Int32Array(4 * size)
    this.cost = new Float32Array(4 * size)
    this.came = new Int32Array(4 * size)
    for (let y = 0; y <= height; y++) for (let x = 0; x <= width; x++) this.give(this.at(x, y), FREE)
  }

  private at(x: number, y: number): number {
    return (y + 1) * this.stride + x + 1
  }

  private cell(at: number): Cell {
    return { x: (at % this.stride) - 1, y: Math.floor(at / this.stride) - 1 }
  }

  private give(at: number, owner: number): void {
    const change = companyOf(owner) - companyOf(this.owner[at] ?? BLOCKED)
    this.owner[at] = owner
    for (const step of this.steps) this.company[at + step] = (this.company[at + step] ?? 0) + change
  }

  /** Nothing goes through this area or along its edge. */
  block({ left, top, width, height }: Box): void {
    for (let y = top; y <= top + height; y++)
      for (let x = left; x <= left + width; x++) this.give(this.at(x, y), BLOCKED)
  }

  /** Lay a line on its way; its ends lie on parts. */
  lay(line: number, way: readonly Cell[]): void {
    this.along(way, (at, bearing) => {
      const crossed = this.owner[at] !== FREE
      if (!crossed) this.give(at, line)
      this.bearing[at] = crossed ? BENT : bearing
    })
  }

  /** Take a line up again; where it crossed others, they lie alone. */
  take(way: readonly Cell[], others: Iterable<{ key: number; way: readonly Cell[] }>): void {
    this.along(way, (at) => this.give(at, FREE))
    for (const { key, way: other } of others)
      this.along(other, (at, bearing) => {
        if (this.owner[at] !== FREE) return
        this.give(at, key)
        this.bearing[at] = bearing
      })
  }

  private along(way: readonly Cell[], visit: (at: number, bearing: number) => void): void {
    for (let i = 1; i < way.length - 1; i++) {
      const before = way[i - 1]
      const cell = way[i]
      const after = way[i + 1]
      if (!before || !cell || !after) continue
      const bearing = before.y === after.y ? ACROSS : before.x === after.x ? ALONG : BENT
      visit(this.at(cell.x, cell.y), bearing)
    }
  }

  /**
   * A cheap way from any of some ports to any of others (A* over point and direction); undefined where there is none.
   * It never lies on another line or touches one at a bend, and it crosses only straight.
   *
   * @param isAlike whether that line could be taken for a continuation of this one where they cross
   */
  find(
    from: readonly Port[],
    to: readonly Port[],
    isAlike: (line: number) => boolean,
  ): { way: Cell[]; cost: number } | undefined {
    this.search += 1
    const { search, cost, came, steps } = this
    for (const { x, y, out } of to) this.endOf[this.at(x, y) * 4 + (out ^ 2)] = search
    const ahead = this.distanceTo(to)
    const open = new FlatQueue<number>()
    for (const { x, y, out } of from) this.reach(this.at(x, y) * 4 + out, -1, 0)
    for (const { x, y, out } of from) open.push(this.at(x, y) * 4 + out, ahead(this.at(x, y)))
    for (let state = open.pop(); state !== undefined; state = open.pop()) {
      if (this.leftIn[state] === search) continue
      if (--this.effort.left < 0) return undefined
      this.leftIn[state] = search
      const at = state >> 2
      const facing = (state & 3) as Direction
      const sofar = cost[state] ?? 0
      const started = came[state] !== -1
      if (started && this.endOf[state] === search) return { way: this.wayBack(state), cost: sofar }
      const straightOn = !started || (this.owner[at] ?? FREE) >= 0
      for (const d of DIRECTIONS) {
        if ((straightOn && d !== facing) || d === (facing ^ 2)) continue
        const next = at + steps[d]
        const nextState = next * 4 + d
        const step = this.endOf[nextState] === search ? 1 : this.stepCost(next, d, isAlike)
        const total = sofar + step + (d === facing ? 0 : BEND)
        const known = this.seenIn[nextState] === search ? (cost[nextState] ?? 0) : Number.POSITIVE_INFINITY
        if (total >= known) continue
        this.reach(nextState, state, total)
        open.push(nextState, total + ahead(next))
      }
    }
    return undefined
  }

  private reach(state: number, from: number, cost: number): void {
    this.seenIn[state] = this.search
    this.came[state] = from
    this.cost[state] = cost
  }

  private distanceTo(ports: readonly Port[]): (at: number) => number {
    const [minX, maxX] = [Math.min(...ports.map(({ x }) => x)), Math.max(...ports.map(({ x }) => x))]
    const [minY, maxY] = [Math.min(...ports.map(({ y }) => y)), Math.max(...ports.map(({ y }) => y))]
    const beyond = (value: number, min: number, max: number) =>
      value < min ? min - value : value > max ? value - max : 0
    return (at) => {
      const x = (at % this.stride) - 1
      const y = (at - x - 1) / this.stride - 1
      return EAGERNESS * (beyond(x, minX, maxX) + beyond(y, minY, maxY))
    }
  }

  /** Infinite where a line cannot go that way. */
  private stepCost(next: number, d: Direction, isAlike: (line: number) => boolean): number {
    const owner = this.owner[next] ?? BLOCKED
    if (owner === FREE) return 1 + (this.company[next] ?? 0)
    const square = owner !== BLOCKED && this.bearing[next] === (d % 2 === 0 ? ALONG : ACROSS)
    if (!square) return Number.POSITIVE_INFINITY
    return 1 + (isAlike(owner) ? CROSSING_ALIKE : CROSSING)
  }

  private wayBack(state: number): Cell[] {
    const way: Cell[] = []
    for (let at = state; at !== -1; at = this.came[at] ?? -1) way.push(this.cell(at >> 2))
    return way.reverse()
  }
}
