import { partName } from '../vehicle/parts'
import type { Part, Vehicle } from '../vehicle/schema'

/** Where air is kept that flow has to carry off, or that no bleeder lets out. */
export type AirPlace = { partId: string; text: string }

/**
 * High points that keep air: the cylinder's outlets, control units, brakes whose bleeder is not at the top, and any
 * part that the file places higher than all its neighbours without a bleeder of its own.
 * @source common practice
 */
export function airPlaces(vehicle: Vehicle): AirPlace[] {
  return vehicle.parts.flatMap((part) => {
    const text = whyAir(vehicle, part)
    return text === undefined ? [] : [{ partId: part.id, text }]
  })
}

function whyAir(vehicle: Vehicle, part: Part): string | undefined {
  const name = partName(part)
  switch (part.type) {
    case 'master-cylinder':
      if (part.bleeders.length > 0) return undefined
      return part.actuator === 'lever'
        ? `${name}: its hollow bolt is often the highest point; turn the bars so that it is, and crack it first`
        : `${name}: its outlets keep air; crack them at the fittings where air was let in`
    case 'control-unit':
      return part.bleeders.length > 0
        ? `${name}: keeps air until its bleeders are opened`
        : `${name}: keeps air that only flow, or its own routine, carries off`
    case 'wheel-brake':
      return part.bleederAtTop === false
        ? `${name}: its bleeder is not at the highest point, so air stays until the brake is hung to bleed`
        : undefined
    case 'reservoir':
      return undefined
    default:
      return isHighest(vehicle, part)
        ? `${name}: higher than what it joins, and without a bleeder`
        : undefined
  }
}

function isHighest(vehicle: Vehicle, part: Part): boolean {
  if (!part.at || ('bleeders' in part && part.bleeders.length > 0)) return false
  const height = part.at.zM
  const joined = new Set(
    vehicle.lines.flatMap(({ from, to }) => (from === part.id ? [to] : to === part.id ? [from] : [])),
  )
  const neighbours = vehicle.parts.filter(
    ({ id, ...each }) =>
      joined.has(id) ||
      (each.type === 'master-cylinder' && each.chambers.some((chamber) => joined.has(chamber.id))),
  )
  return neighbours.length > 0 && neighbours.every(({ at }) => at !== undefined && at.zM < height)
}
