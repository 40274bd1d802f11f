import { bubbleRise } from '../physics/air/bubble-rise'
import type { Assembly } from './build'
import type { RigAct } from './request'
import type { Ledger } from './run'
import { usual } from './usual'

/** A stroke in the vice lets so much of the air go. @source from memory */
const GOES_A_STROKE = 0.5
/** Of that, a stroke a second breaks so much up into fine bubbles, and a slower one as much less. @source from memory */
const BREAKS_UP = 0.5

/** How fast fine bubbles leave a reservoir, a second. @source Stokes, by way of `bubbleRise` */
export function frothRisesPerS({ liquid: { mm2PerS } }: Assembly): number {
  return 1 / bubbleRise({ ...usual.froth, mm2PerS }).seconds
}

/**
 * In the vice: hoses lead back under the fluid, air goes, and chamber and reservoir become one fluid. Quick strokes break
 * the air up, and each next one draws in some of what has not risen yet.
 */
export function benchBleed(
  rig: Assembly,
  ledger: Ledger,
  { cylinder, strokes, everyS }: Extract<RigAct, { do: 'bench' }>,
): void {
  const staysFor = Math.exp(-everyS * frothRisesPerS(rig))
  const breaksUp = BREAKS_UP * Math.min(1, 1 / everyS)
  for (const chamber of rig.chambers) {
    if (chamber.cylinder !== cylinder) continue
    const cell = rig.at(chamber.cell)
    const tank = rig.tanks.find(({ cell: at }) => at === rig.way(chamber.port).from)
    if (!tank) continue
    const airAtFirstMl = cell.airMl
    for (let stroke = 0; stroke < strokes; stroke++) {
      const goesMl = cell.airMl * GOES_A_STROKE
      cell.airMl -= goesMl
      tank.frothMl += goesMl * breaksUp
      const comesBackMl = tank.frothMl * Math.min(1, cell.liquidMl / Math.max(1e-12, tank.levelMl))
      tank.frothMl -= comesBackMl
      cell.airMl += comesBackMl
      tank.frothMl *= staysFor
    }
    const goneMl = airAtFirstMl - cell.airMl
    ledger.airOut += goneMl
    // In the vice it is new fluid that takes the air's place.
    cell.liquidMl += goneMl
    ledger.poured += goneMl
    const mixed = (cell.oldMl + tank.oldMl) / Math.max(1e-12, cell.liquidMl + tank.levelMl)
    cell.oldMl = mixed * cell.liquidMl
    tank.oldMl = mixed * tank.levelMl
  }
}
