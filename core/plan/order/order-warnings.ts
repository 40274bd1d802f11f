import type { Notice } from '../../base/decision'
import { type BleederRun, reservoirIdOf } from '../../vehicle/network'
import { bleedersOf, partName } from '../../vehicle/parts'
import type { Vehicle } from '../../vehicle/schema'

/** Every way in which an order set by hand brings old fluid or air into what is clean already. @source common practice */
export function orderWarnings(
  vehicle: Vehicle,
  ordered: readonly BleederRun[],
  conversion: boolean,
): Notice[] {
  return [
    ...ordered.flatMap((placed, i) => [
      ...upstreamLate(placed, ordered.slice(0, i)),
      ...higherFirst(placed, ordered.slice(0, i)),
      ...clutchReturns(vehicle, placed, ordered.slice(0, i), ordered.slice(i + 1), conversion),
    ]),
    ...makerLeft(vehicle, ordered),
  ]
}

const namesOf = (bleeders: readonly BleederRun[]) => bleeders.map(({ bleeder }) => bleeder.id).join(', ')

function upstreamLate({ part, bleeder }: BleederRun, before: readonly BleederRun[]): Notice[] {
  if (part.type !== 'control-unit' && part.type !== 'valve') return []
  const below = before.filter(
    (other) => other.part.id !== part.id && other.run?.lines.some((line) => line.from === part.id),
  )
  if (below.length === 0) return []
  const text = `${bleeder.id} after ${namesOf(below)}: air and old fluid that stand in the ${partName(part)} come down into what is clean. Take ${bleeder.id} first, or bleed ${namesOf(below)} again after it.`
  return [{ code: 'order-upstream-late', text }]
}

function higherFirst({ part, bleeder, run }: BleederRun, before: readonly BleederRun[]): Notice[] {
  const own = bleedersOf(part)
  const higher = before.filter(
    (other) =>
      part.type === 'wheel-brake' &&
      other.part.id === part.id &&
      other.run?.circuit === run?.circuit &&
      own.indexOf(other.bleeder) > own.indexOf(bleeder),
  )
  if (higher.length === 0) return []
  const text = `${bleeder.id} after ${namesOf(higher)} on the same brake: air stirred up below rises to ${namesOf(higher)}, which is clean. Open ${namesOf(higher)} once more at the end.`
  return [{ code: 'order-higher-first', text }]
}

/** Each release of the clutch pedal sends what its line holds back into the reservoir it shares. */
function clutchReturns(
  vehicle: Vehicle,
  { part, bleeder, run }: BleederRun,
  before: readonly BleederRun[],
  after: readonly BleederRun[],
  conversion: boolean,
): Notice[] {
  if (part.type !== 'clutch-slave' || !run) return []
  const reservoir = reservoirIdOf(vehicle, run.sourceId)
  const shares = (other: BleederRun) =>
    other.part.type === 'wheel-brake' &&
    other.run !== undefined &&
    reservoirIdOf(vehicle, other.run.sourceId) === reservoir
  const [done, toCome] = [before.filter(shares), after.filter(shares)]
  if (conversion && done.length > 0) {
    const text = `${bleeder.id} after ${namesOf(done)}: at every release the clutch sends wrong fluid back into the reservoir it shares with them, and they are clean. In a conversion the clutch comes first.`
    return [{ code: 'order-clutch-late', text }]
  }
  if (!conversion && toCome.length > 0) {
    const text = `${bleeder.id} before ${namesOf(toCome)}: at every release the clutch sends old fluid back into the reservoir, which was filled new and still has to feed them. The clutch comes last, or fill the reservoir new once more after it.`
    return [{ code: 'order-clutch-early', text }]
  }
  return []
}

function makerLeft({ makerOrder = [] }: Vehicle, ordered: readonly BleederRun[]): Notice[] {
  const places = makerOrder
    .map((id) => ordered.findIndex(({ bleeder }) => bleeder.id === id))
    .filter((at) => at >= 0)
  if (places.every((at, i) => i === 0 || at > (places[i - 1] ?? 0))) return []
  const text = `The maker states another order, ${makerOrder.join(', ')}, and the maker’s word comes first.`
  return [{ code: 'order-maker-left', text }]
}
