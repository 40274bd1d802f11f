import { type Fact, fact } from '../base/decision'
import type { Bleeder, Part, PartOf, Vehicle } from './schema'

/** Every part of one type, in the file's order. */
export function partsOf<T extends Part['type']>(vehicle: Vehicle, type: T): PartOf<T>[] {
  return vehicle.parts.filter((part): part is PartOf<T> => part.type === type)
}

/** A part's own bleeders, lower or inboard first; none where its type has none. */
export const bleedersOf = (part: Part): Bleeder[] => ('bleeders' in part ? part.bleeders : [])

/** A bleeder and the part it sits on. */
export type PlacedBleeder = { bleeder: Bleeder; part: Part }

/** Every bleeder of the vehicle with its part, in the file's order. */
export const allBleeders = (vehicle: Vehicle): PlacedBleeder[] =>
  vehicle.parts.flatMap((part) => bleedersOf(part).map((bleeder) => ({ bleeder, part })))

/** What a person calls a part: its place for a brake, its kind for the rest. */
export function partFact(part: Part): Fact {
  switch (part.type) {
    case 'wheel-brake':
      return fact(`part-${part.brake}`, { position: fact(part.position) })
    case 'master-cylinder':
      return fact(`part-master-cylinder-${part.actuator}`)
    case 'control-unit':
      return fact(`part-unit-${part.role}`)
    case 'valve':
      return fact(`part-valve-${part.role}`)
    default:
      return fact(`part-${part.type}`)
  }
}

/** What a person calls a reservoir: the one there is, or by its id. */
export const reservoirFact = (vehicle: Vehicle, id: string): Fact =>
  partsOf(vehicle, 'reservoir').length > 1 ? fact('reservoir-named', { id }) : fact('the-reservoir')
