import type { Assembly } from './build'
import type { Cell } from './cell'
import type { Ledger } from './run'

/** A unit's pump and valves change what stands in its closed branches so often a second. @source from memory */
const CYCLES_PER_S = 2
/** A stroke in the vice lets so much of the air go. @source from memory */
const GOES_A_STROKE = 0.5

/** In the vice: hoses lead back under the fluid, air goes, and chamber and reservoir become one fluid. */
export function benchBleed(rig: Assembly, ledger: Ledger, cylinder: string, strokes: number): void {
  for (const chamber of rig.chambers) {
    if (chamber.cylinder !== cylinder) continue
    const cell = rig.at(chamber.cell)
    const tank = rig.tanks.find(({ cell: at }) => at === rig.way(chamber.port).from)
    if (!tank) continue
    const goneMl = cell.airMl * (1 - (1 - GOES_A_STROKE) ** strokes)
    cell.airMl -= goneMl
    ledger.airOut += goneMl
    // In the vice it is new fluid that takes the air's place.
    cell.liquidMl += goneMl
    ledger.poured += goneMl
    const mixed = (cell.oldMl + tank.oldMl) / Math.max(1e-12, cell.liquidMl + tank.levelMl)
    cell.oldMl = mixed * cell.liquidMl
    tank.oldMl = mixed * tank.levelMl
  }
}

/** What a working unit changes between a closed branch and its open volume in a while. */
export function swap(branch: Cell, open: Cell, dt: number): void {
  const share = 1 - Math.exp(-dt * CYCLES_PER_S)
  const volumeMl = ({ liquidMl, bubbleMl }: Cell) => liquidMl + bubbleMl
  const part = Math.min(1, (share * volumeMl(branch)) / Math.max(1e-9, volumeMl(open)))
  for (const key of ['liquidMl', 'oldMl', 'airMl'] as const) {
    const [out, back] = [share * branch[key], part * open[key]]
    branch[key] += back - out
    open[key] += out - back
  }
}
