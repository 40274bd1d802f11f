import { type Fact, fact } from '../base/decision'
import type { Shop } from '../plan/request'
import type { Diagnosis } from './answer'
import { causeOf } from './causes'
import { fluidCost, labour, partsFor, priceOfPart, priceOfRepair } from './costs'
import type { Repair } from './repair'
import type { Case } from './request'
import { foundAt } from './shares'
import { type Place, placeFor } from './where'

/** From how little to how much, in the shop's money. */
export type Range = { low: number; high: number }
/** One line of what a repair is going to cost; `usual` where the shop gave no price of its own, `part` where it is one. */
export type EstimateLine = Fact & Range & { line: string; cost: number; usual: boolean; part?: true }
/** One way to mend it, line by line. */
export type EstimateOption = Range & { id: string; cost: number; lines: EstimateLine[] }
/** What mending one cause comes to, in each way, and what may come after it where it was something else. */
export type Estimate = {
  cause: string
  options: EstimateOption[]
  otherwise?: { chancePct: number; cost: number }
}

/** How far hands' minutes and a usual price may be off; a price of the shop's own is what it is. @source from memory */
const HANDS: Range = { low: 0.8, high: 1.5 }
const USUAL_PRICE: Range = { low: 0.7, high: 1.6 }
const FLUID: Range = { low: 1, high: 1.3 }
const AS_PRICED: Range = { low: 1, high: 1 }

/** What mending a cause costs, in every way there is. @returns undefined for a cause nobody knows */
export function estimateOf(of: Case, cause: string, shop?: Shop): Omit<Estimate, 'otherwise'> | undefined {
  const { repair, at } = causeOf(cause) ?? {}
  if (!repair) return undefined
  const place = placeFor(at, foundAt(of), of.vehicle, of.complaint)
  const ways = [{ ...repair, id: 'as-said' }, ...(repair.options ?? []).map((way) => ({ ...repair, ...way }))]
  return {
    cause,
    options: ways.map((way) => {
      const lines = linesOf(of, way, `${repair.id} ${way.id}`, place, shop)
      return { id: way.id, cost: sum(lines, 'cost'), low: sum(lines, 'low'), high: sum(lines, 'high'), lines }
    }),
  }
}

/** The same for the likeliest cause, with what follows in the mean where it was another. */
export function estimateNow(of: Case, { causes, next }: Diagnosis, shop?: Shop): Estimate | undefined {
  const [likeliest] = causes
  const estimate = likeliest && estimateOf(of, likeliest.id, shop)
  if (!estimate) return undefined
  const mended = causeOf(likeliest.id)?.repair.mends ?? []
  const left = causes.reduce((chance, { id, share }) => chance + (mended.includes(id) ? 0 : share), 0)
  const after = next.find(({ kind, id }) => kind === 'repair' && id === likeliest.id)?.expectedCostAfter
  if (after === undefined || left < SELDOM) return estimate
  return { ...estimate, otherwise: { chancePct: Math.round(100 * left), cost: after / left } }
}
/** What happens less often is not worth a line. */
const SELDOM = 0.01

const sum = (lines: readonly EstimateLine[], which: 'cost' | keyof Range): number =>
  lines.reduce((total, line) => total + line[which], 0)

function linesOf(of: Case, way: Repair, key: string, place: Place | undefined, shop?: Shop): EstimateLine[] {
  const { minutes, ml } = priceOfRepair(of, way, place, shop)
  const line = (
    name: string,
    says: Fact,
    cost: number,
    usual: boolean,
    { low, high }: Range,
  ): EstimateLine => ({
    ...says,
    line: `${key} ${name}`,
    cost,
    usual,
    low: cost * low,
    high: cost * high,
  })
  return [
    line(
      'hands',
      fact('estimate-hands', { minutes: Math.ceil(minutes) }),
      labour(of, minutes),
      of.costs.labourPerHour === undefined,
      HANDS,
    ),
    ...counted(partsFor(way, of.vehicle, place)).map(([part, count]) => {
      const usual = of.costs.parts[part] === undefined
      const says = fact('estimate-part', { part: fact(`spare-${part}`), count })
      const price = line(part, says, count * priceOfPart(of, part), usual, usual ? USUAL_PRICE : AS_PRICED)
      return { ...price, part: true as const }
    }),
    ...(ml > 0 ? [line('fluid', fact('estimate-fluid', { takesMl: ml }), fluidCost(ml), true, FLUID)] : []),
  ]
}

const counted = <T>(all: readonly T[]): [T, number][] =>
  [...new Set(all)].map((one) => [one, all.filter((each) => each === one).length])
