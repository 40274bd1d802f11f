/** What a forest needs to know of a link between two cells. */
type Edge = { readonly from: number; readonly to: number }

/** A link that couples nothing of the forest: its one end is given, or it closes a loop. */
export const NONE = -1
export const LOOP = -2

/**
 * The linear system of a network: unknown cells that hang on each other by links. It is a forest but for a few links, so
 * that elimination runs once up and once down; each link that closes a loop corrects its answer.
 */
export class Forest {
  /** Unknown cells, each after the one it hangs on. */
  readonly order: Int32Array
  /** By link: the cell that hangs on another by it, else `NONE` or `LOOP`. */
  readonly hangs: Int32Array
  readonly loops: readonly number[]
  /** By cell: its own coefficient, and that which couples it to the cell it hangs on, above 0. */
  readonly diagonal: Float64Array
  readonly coupling: Float64Array
  private readonly parent: Int32Array

  constructor(cellCount: number, edges: readonly Edge[], fixed: ReadonlySet<number>) {
    const touching = Array.from({ length: cellCount }, (): number[] => [])
    for (const [l, { from, to }] of edges.entries()) {
      if (fixed.has(from) || fixed.has(to)) continue
      touching[from]?.push(l)
      touching[to]?.push(l)
    }
    this.hangs = new Int32Array(edges.length).fill(NONE)
    this.parent = new Int32Array(cellCount).fill(NONE)
    const order: number[] = []
    const seen = new Set<number>(fixed)
    for (let root = 0; root < cellCount; root++) {
      if (seen.has(root)) continue
      seen.add(root)
      const open = [root]
      for (let at = open.pop(); at !== undefined; at = open.pop()) {
        order.push(at)
        for (const l of touching[at] ?? []) {
          const { from, to } = edges[l] as Edge
          const other = from === at ? to : from
          if (seen.has(other)) continue
          seen.add(other)
          this.parent[other] = at
          this.hangs[l] = other
          open.push(other)
        }
      }
    }
    this.order = Int32Array.from(order)
    this.loops = [...edges.keys()].filter((l) => {
      const { from, to } = edges[l] as Edge
      return this.hangs[l] === NONE && !fixed.has(from) && !fixed.has(to)
    })
    for (const l of this.loops) this.hangs[l] = LOOP
    this.diagonal = new Float64Array(cellCount)
    this.coupling = new Float64Array(cellCount)
  }

  /** Leaves into what they hang on, once for a matrix. It replaces the diagonal. */
  eliminate(): void {
    const { order, parent, diagonal, coupling } = this
    for (let k = order.length - 1; k >= 0; k--) {
      const i = order[k] as number
      const up = parent[i] as number
      if (up < 0) continue
      const beside = coupling[i] as number
      diagonal[up] = (diagonal[up] as number) - (beside * beside) / (diagonal[i] as number)
    }
  }

  /** Then each right side, which becomes the answer. */
  substitute(right: Float64Array): void {
    const { order, parent, diagonal, coupling } = this
    for (let k = order.length - 1; k >= 0; k--) {
      const i = order[k] as number
      const up = parent[i] as number
      if (up < 0) continue
      const share = (coupling[i] as number) / (diagonal[i] as number)
      right[up] = (right[up] as number) + share * (right[i] as number)
    }
    for (let k = 0; k < order.length; k++) {
      const i = order[k] as number
      const up = parent[i] as number
      const above = up < 0 ? 0 : (coupling[i] as number) * (right[up] as number)
      right[i] = ((right[i] as number) + above) / (diagonal[i] as number)
    }
  }

  /**
   * An answer of the forest put right for the links beyond it, each a change of rank one.
   *
   * @param conducts by link, above 0; 0 where nothing passes
   * @source Sherman and Morrison 1950, Annals of Mathematical Statistics 21: a matrix that one product of two vectors is
   *   added to
   */
  addLoops(right: Float64Array, edges: readonly Edge[], conducts: (link: number) => number): void {
    const done: { edge: Edge; column: Float64Array; share: number }[] = []
    const across = ({ from, to }: Edge, of: Float64Array) => (of[from] as number) - (of[to] as number)
    const putRight = (of: Float64Array) => {
      for (const { edge, column, share } of done) {
        const by = share * across(edge, of)
        for (const i of this.order) of[i] = (of[i] as number) - by * (column[i] as number)
      }
    }
    for (const l of this.loops) {
      const edge = edges[l] as Edge
      const conductance = conducts(l)
      if (conductance === 0) continue
      const column = new Float64Array(right.length)
      column[edge.from] = 1
      column[edge.to] = -1
      this.substitute(column)
      putRight(column)
      done.push({ edge, column, share: 1 / (1 / conductance + across(edge, column)) })
    }
    putRight(right)
  }
}
