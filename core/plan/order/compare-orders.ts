import type { BleederRun } from '../../vehicle/network'
import type { Part, Vehicle } from '../../vehicle/schema'
import { bleedOrder, orderItem } from './bleed-order'
import { type OrderSchoolId, orderSchoolIds, orderSchools } from './index'
import type { OrderItem } from './school'
import { SAME_LENGTH_M } from './ties'

/** Where another order first leaves the chosen one, and why it does. */
export type OrderDifference = {
  /** Counted from 1. */
  place: number
  /** Taken there by the other order. */
  taken: string
  /** Taken there by the chosen one. */
  instead: string
  text: string
}

/** One school's order for this work beside the chosen one. */
export type SchoolOrder = {
  /** `makers` is the maker's own, where the vehicle states one. */
  id: OrderSchoolId | 'makers'
  name: string
  order: string[]
  /** Absent where it is the same order. */
  differs?: OrderDifference
}

type Known = OrderItem & { type: Part['type'] }

const metres = ({ lengthM }: OrderItem) => `${lengthM.toFixed(2)} m`

/** Why bleeders of different kinds of part stand in that order in every school; undefined for two of a kind. */
function whyKinds(taken: Known, instead: Known): string | undefined {
  if (taken.type === instead.type) return undefined
  if (taken.type === 'control-unit' || taken.type === 'valve')
    return 'units and valves come before what they feed'
  if (taken.type === 'clutch-slave') return 'a conversion needs the clutch clean first'
  if (instead.type === 'clutch-slave') return 'the clutch comes last'
  return 'wheels come before stroke simulators'
}

function whyTaken(school: SchoolOrder['id'], taken: Known, instead: Known, before: Known[]): string {
  if (school === 'makers') return 'the maker states it'
  const kinds = whyKinds(taken, instead)
  if (kinds) return kinds
  if (taken.partId === instead.partId) return 'the lower or inboard bleeder of a brake comes first'
  if (school === 'circuit-by-circuit' && taken.circuit !== instead.circuit)
    return before.at(-1)?.circuit === taken.circuit
      ? `circuit ${taken.circuit} is finished before circuit ${instead.circuit} is opened`
      : `of the circuits left, ${taken.circuit} has the longest run`
  if (school === 'nearest-first' && taken.leverPair !== undefined && taken.leverPair === instead.leverPair)
    return 'of two brakes on a lever the one further along the hose comes first'
  return Math.abs(taken.lengthM - instead.lengthM) < SAME_LENGTH_M
    ? `their runs are alike, ${metres(taken)}, and their positions decide`
    : `its run is ${metres(taken)}, the other’s ${metres(instead)}`
}

/**
 * What every school, and the maker where he states an order, would make of the same bleeders, with the first place
 * at which each leaves the chosen order and why.
 *
 * @param schoolId the school that orders what the maker leaves out
 */
export function compareOrders(
  vehicle: Vehicle,
  bleeders: readonly BleederRun[],
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
    name: orderSchools[id].name,
    order: bleedOrder(withoutMaker, bleeders, id, conversion).value,
  }))
  if (vehicle.makerOrder?.length)
    orders.unshift({
      id: 'makers',
      name: 'The maker’s order',
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
    text: `At place ${at + 1} it takes ${taken.id}, not ${instead.id}: ${why}.`,
  }
}
