import { type Fact, fact } from '../../base/decision'
import type { RoutedBleeder } from '../../vehicle/network'
import type { Part, Vehicle } from '../../vehicle/schema'
import { bleedOrder, orderItem } from './bleed-order'
import { type OrderSchoolId, orderSchoolIds } from './index'
import type { OrderItem } from './school'
import { SAME_LENGTH_M } from './ties'

/** Where another order first leaves the chosen one, and why it does. */
export type OrderDifference = Fact & {
  /** Counted from 1. */
  place: number
  /** Taken there by the other order. */
  taken: string
  /** Taken there by the chosen one. */
  instead: string
}

/** One school's order for this work beside the chosen one. */
export type SchoolOrder = {
  /** `makers` is the maker's own, where the vehicle states one. */
  id: OrderSchoolId | 'makers'
  order: string[]
  /** Absent where it is the same order. */
  differs?: OrderDifference
}

type Known = OrderItem & { type: Part['type'] }

/** Why bleeders of different kinds of part stand in that order in every school; undefined for two of a kind. */
function whyKinds(taken: Known, instead: Known): Fact | undefined {
  if (taken.type === instead.type) return undefined
  if (taken.type === 'control-unit' || taken.type === 'valve') return fact('because-upstream')
  if (taken.type === 'clutch-slave') return fact('because-clutch-clean')
  if (instead.type === 'clutch-slave') return fact('because-clutch-last')
  return fact('because-simulators-last')
}

function whyTaken(school: SchoolOrder['id'], taken: Known, instead: Known, before: Known[]): Fact {
  if (school === 'makers') return fact('because-maker')
  const kinds = whyKinds(taken, instead)
  if (kinds) return kinds
  if (taken.partId === instead.partId) return fact('because-lower-first')
  if (school === 'circuit-by-circuit' && taken.circuit !== instead.circuit)
    return before.at(-1)?.circuit === taken.circuit
      ? fact('because-circuit-finished', { one: taken.circuit, other: instead.circuit })
      : fact('because-circuit-longest', { one: taken.circuit })
  if (school === 'nearest-first' && taken.leverPair !== undefined && taken.leverPair === instead.leverPair)
    return fact('because-lever-pair')
  return Math.abs(taken.lengthM - instead.lengthM) < SAME_LENGTH_M
    ? fact('because-runs-alike', { runM: taken.lengthM })
    : fact('because-run', { runM: taken.lengthM, otherM: instead.lengthM })
}

/**
 * What every school, and the maker where he states an order, would make of the same bleeders, with the first place
 * at which each leaves the chosen order and why.
 *
 * @param schoolId the school that orders what the maker leaves out
 */
export function compareOrders(
  vehicle: Vehicle,
  bleeders: readonly RoutedBleeder[],
  conversion: boolean,
  schoolId: OrderSchoolId,
  chosen: readonly string[],
): SchoolOrder[] {
  const items = new Map(
    bleeders.map((placed) => [
      placed.bleeder.id,
      { ...orderItem(vehicle, placed), type: placed.part.type } satisfies Known,
    ]),
  )
  const withoutMaker: Vehicle = { ...vehicle, makerOrder: undefined }
  const orders: Omit<SchoolOrder, 'differs'>[] = orderSchoolIds.map((id) => ({
    id,
    order: bleedOrder(withoutMaker, bleeders, id, conversion).value,
  }))
  if (vehicle.makerOrder?.length)
    orders.unshift({
      id: 'makers',
      order: bleedOrder(vehicle, bleeders, schoolId, conversion).value,
    })
  return orders.map((each) => ({ ...each, differs: difference(each, chosen, items) }))
}

function difference(
  { id, order }: Omit<SchoolOrder, 'differs'>,
  chosen: readonly string[],
  items: ReadonlyMap<string, Known>,
): OrderDifference | undefined {
  const at = order.findIndex((bleeder, i) => bleeder !== chosen[i])
  const [taken, instead] = [items.get(order[at] ?? ''), items.get(chosen[at] ?? '')]
  if (!taken || !instead) return undefined
  const before = order.slice(0, at).flatMap((bleeder) => items.get(bleeder) ?? [])
  const why = whyTaken(id, taken, instead, before)
  return {
    place: at + 1,
    taken: taken.id,
    instead: instead.id,
    ...fact('order-differs', { place: at + 1, taken: taken.id, instead: instead.id, why }),
  }
}
