import { type Containers, chooseContainers } from '../physics/exchange/containers'
import { takeOnHand } from '../physics/exchange/on-hand'
import type { Plan } from './answer'
import { fluidUsed } from './prepare'
import type { PlanRequest, Shop } from './request'

/** What stands open is used up before a sealed one is opened. */
function openedFirst(needMl: number, own: Shop['onHand']): Containers[] {
  const used: Containers[] = []
  let left = needMl
  for (const { ml, count, opened } of own) {
    if (!opened || left <= 0) continue
    used.push({ ml, count })
    left -= ml * count
  }
  return used
}

/** What to open of the shelf, what to buy beside it, and what stays over. */
export function containersFor(
  totalMl: number,
  request: PlanRequest,
): Pick<Plan['fluid'], 'buy' | 'onHand' | 'leftMl'> {
  const { onHand, containersMl } = request.shop
  const spec = fluidUsed(request)
  const own = onHand.filter((each) => each.spec === spec)
  const already = openedFirst(totalMl, own)
  const sum = (containers: readonly { ml: number; count: number }[]) =>
    containers.reduce((all, { ml, count }) => all + ml * count, 0)
  const sealed = own.filter(({ opened }) => !opened)
  const taken = [...already, ...takeOnHand(totalMl - sum(already), sealed)]
  const buy = chooseContainers(totalMl - sum(taken), containersMl)
  return { onHand: taken, buy, leftMl: Math.max(0, sum(taken) + sum(buy) - totalMl) }
}
