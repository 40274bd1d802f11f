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
export function partName(part: Part): string {
  switch (part.type) {
    case 'wheel-brake':
      return `${part.position.replace('-', ' ')} ${part.brake === 'drum' ? 'drum' : 'caliper'}`
    case 'master-cylinder':
      return part.actuator === 'pedal' ? 'master cylinder' : `master cylinder at the ${part.actuator}`
    case 'control-unit':
      return part.role === 'brake-by-wire' ? 'brake-by-wire unit' : `${part.role.toUpperCase()} unit`
    case 'valve':
      return `${part.role} valve`
    default:
      return part.type.replace('-', ' ')
  }
}

/** What a person calls a reservoir: the one there is, or by its id. */
export function reservoirName(vehicle: Vehicle, id: string): string {
  return partsOf(vehicle, 'reservoir').length > 1 ? `reservoir ${id}` : 'the reservoir'
}
