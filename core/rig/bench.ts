import type { Assembly } from './build'
import type { Ledger } from './run'

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
