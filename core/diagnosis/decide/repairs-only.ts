import { type Mass, MENDED, type Model, massOf } from './model'

/** So little of what came here is left to nobody. */
const NOBODY = 1e-12

/** What mending without looking comes to, and with which repair that begins. */
export type Blind = { cost: number; begins: number }

/**
 * Mean cost of mending one thing after the other without looking, times the sum of the mass: at each step what mends most
 * for its cost. With one fault, repairs that mend one thing each and no check this order is the best there is; otherwise
 * it is an order that can be kept, so that its cost is never less than the least.
 *
 * @source Heckerman, Breese, Rommelse, Decision-theoretic troubleshooting, Communications of the ACM 38(3), 1995
 */
export function repairsOnly(model: Model, mass: Mass): Blind {
  const open = [...movesOf(model)]
  const here = Float64Array.from(mass)
  const begun = massOf(here)
  let [left, cost, begins] = [begun, 0, -1]
  while (left > NOBODY * begun) {
    const at = mostForItsCost(open, here)
    const repair = open[at]
    // What nothing mends is not to be had for any money.
    if (!repair) return { cost: Number.POSITIVE_INFINITY, begins }
    if (begins < 0) begins = repair.index
    cost += repair.cost * left
    left -= move(here, repair)
    cost += repair.failCost * left
    // It has mended all that it can: what it leaves of two faults is none of its own.
    open[at] = open[open.length - 1] as Moves
    open.pop()
  }
  return { cost, begins }
}

/** What a repair changes, without what it leaves as it is: the search asks for nothing so often. */
type Moves = {
  index: number
  cost: number
  failCost: number
  perPrice: number
  mends: Int16Array
  from: Int16Array
  to: Int16Array
}
const known = new WeakMap<Model, Moves[]>()

function movesOf(model: Model): Moves[] {
  const before = known.get(model)
  if (before) return before
  const moves = model.repairs.map(({ cost, failCost, leaves }, index): Moves => {
    const changed = [...leaves.keys()].filter((i) => leaves[i] !== i)
    const from = Int16Array.from(changed.filter((i) => leaves[i] !== MENDED))
    return {
      index,
      cost,
      failCost,
      perPrice: 1 / (cost + failCost || Number.MIN_VALUE),
      mends: Int16Array.from(changed.filter((i) => leaves[i] === MENDED)),
      from,
      to: from.map((i) => leaves[i] ?? MENDED),
    }
  })
  known.set(model, moves)
  return moves
}

/** What mends the most for its cost; where nothing mends wholly, what brings the most down to one fault. */
function mostForItsCost(open: readonly Moves[], here: Mass): number {
  let [best, ratio] = [-1, 0]
  for (let r = 0; r < open.length; r++) {
    const { perPrice, mends } = open[r] as Moves
    let mended = 0
    for (let k = 0; k < mends.length; k++) mended += here[mends[k] as number] as number
    if (mended * perPrice > ratio) {
      best = r
      ratio = mended * perPrice
    }
  }
  if (best >= 0) return best
  for (let r = 0; r < open.length; r++) {
    const { perPrice, from } = open[r] as Moves
    let changed = 0
    for (let k = 0; k < from.length; k++) changed += here[from[k] as number] as number
    if (changed * perPrice > ratio) {
      best = r
      ratio = changed * perPrice
    }
  }
  return best
}

/** @returns how much of the mass is mended */
function move(here: Mass, { mends, from, to }: Moves): number {
  let mended = 0
  for (let k = 0; k < mends.length; k++) {
    const i = mends[k] as number
    mended += here[i] as number
    here[i] = 0
  }
  for (let k = 0; k < from.length; k++) {
    const [i, left] = [from[k] as number, to[k] as number]
    here[left] = (here[left] as number) + (here[i] as number)
    here[i] = 0
  }
  return mended
}
