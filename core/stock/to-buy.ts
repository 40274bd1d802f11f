import type { FluidSpec } from '../fluid/specs'
import { type Containers, chooseContainers } from '../physics/exchange/containers'

export type ToBuy = { spec: FluidSpec; needMl: number; onShelfMl: number; shortMl: number; buy: Containers[] }

/**
 * What to buy for the jobs that are booked in: what they still need of each kind against what may be poured.
 *
 * @param sizesMl of containers that the shop buys
 */
export function toBuy(
  needs: readonly { spec: FluidSpec; ml: number }[],
  onShelf: readonly { spec: FluidSpec; ml: number }[],
  sizesMl: readonly number[],
): ToBuy[] {
  const sum = (list: readonly { spec: FluidSpec; ml: number }[], spec: FluidSpec) =>
    list.filter((each) => each.spec === spec).reduce((total, { ml }) => total + ml, 0)
  const specs = [...new Set(needs.map(({ spec }) => spec))]
  return specs.map((spec) => {
    const [needMl, onShelfMl] = [sum(needs, spec), sum(onShelf, spec)]
    const shortMl = Math.max(0, needMl - onShelfMl)
    return { spec, needMl, onShelfMl, shortMl, buy: chooseContainers(shortMl, sizesMl) }
  })
}
