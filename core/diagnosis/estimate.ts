import { type Fact, fact } from '../base/decision'
import type { Shop } from '../plan/request'
import { causeOf } from './causes'
import { fluidCost, labour, partsFor, priceOfPart, priceOfRepair } from './costs'
import type { Case } from './request'
import { foundAt } from './shares'
import { placeFor } from './where'

/** One line of what a repair is going to cost, in the shop's money. */
export type EstimateLine = Fact & { cost: number; usual: boolean }

/** What mending one cause costs, line by line: hands, each part, fluid. `usual` where the shop gave no price of its own. */
export function estimateOf(of: Case, cause: string, shop?: Shop): EstimateLine[] {
  const { repair, at } = causeOf(cause) ?? {}
  if (!repair) return []
  const place = placeFor(at, foundAt(of), of.vehicle, of.complaint)
  const { minutes, ml } = priceOfRepair(of, repair, place, shop)
  return [
    {
      ...fact('estimate-hands', { minutes: Math.ceil(minutes) }),
      cost: labour(of, minutes),
      usual: of.costs.labourPerHour === undefined,
    },
    ...counted(partsFor(repair, of.vehicle, place)).map(([key, count]) => ({
      ...fact('estimate-part', { part: fact(`spare-${key}`), count }),
      cost: count * priceOfPart(of, key),
      usual: of.costs.parts[key] === undefined,
    })),
    ...(ml > 0 ? [{ ...fact('estimate-fluid', { takesMl: ml }), cost: fluidCost(ml), usual: true }] : []),
  ]
}

const counted = <T>(all: readonly T[]): [T, number][] =>
  [...new Set(all)].map((one) => [one, all.filter((each) => each === one).length])
