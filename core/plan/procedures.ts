import { readyProcedure } from '../procedure/ready'
import type { Procedure } from '../procedure/schema'
import type { Technique } from '../technique/technique'
import { type RoutedBleeder, routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { PartOf, Vehicle } from '../vehicle/schema'

/** Bleeders by what feeds them: a pump in the unit, a foot, and those of a stroke simulator. */
function fedHow(vehicle: Vehicle, bleeders: readonly RoutedBleeder[]) {
  const pumps = new Set(partsOf(vehicle, 'pump').map(({ id }) => id))
  const ids = (of: readonly RoutedBleeder[]) => of.map(({ bleeder }) => bleeder.id)
  const byPump = bleeders.filter(({ route }) => route !== undefined && pumps.has(route.sourceId))
  const others = bleeders.filter((each) => !byPump.includes(each))
  const simulators = others.filter(({ part }) => part.type === 'stroke-simulator')
  return {
    'by-pump': ids(byPump),
    'by-foot': ids(others.filter((each) => !simulators.includes(each))),
    simulators: ids(simulators),
  }
}

/**
 * How a unit is worked, step by step: as somebody wrote it down for this vehicle, else the ready one of the way that is
 * taken.
 *
 * @param bleeders in the order they are opened, for a ready one
 */
export function procedureFor(
  vehicle: Vehicle,
  unit: PartOf<'control-unit'>,
  { routine = 'cycle', id }: Pick<Technique, 'routine' | 'id'>,
  bleeders: readonly RoutedBleeder[] = routedBleeders(vehicle),
): Procedure {
  if (unit.procedure && unit.routine === routine) return unit.procedure
  const way = id === 'wheel-by-wheel-pumped' ? id : routine
  return readyProcedure(way, fedHow(vehicle, bleeders))
}

/** Bleeders as a unit’s own procedure opens them; those it does not name stay where they were, at the end. */
export function inProcedureOrder<T extends RoutedBleeder>(vehicle: Vehicle, bleeders: readonly T[]): T[] {
  const named = partsOf(vehicle, 'control-unit').flatMap(({ routine, procedure }) =>
    routine === 'maker-led' ? (procedure?.steps.flatMap(({ bleed }) => bleed ?? []) ?? []) : [],
  )
  const place = ({ bleeder }: T) => {
    const at = named.indexOf(bleeder.id)
    return at < 0 ? named.length : at
  }
  return bleeders.toSorted((a, b) => place(a) - place(b))
}
