import { type Fact, fact } from '../base/decision'
import { partFact } from '../vehicle/parts'
import type { Part, Vehicle } from '../vehicle/schema'

/** Where air is kept that flow has to carry off, or that no bleeder lets out. */
export type AirPlace = { partId: string; why: Fact }

/**
 * High points that keep air: the cylinder's outlets, control units, brakes whose bleeder is not at the top, and any
 * part that the file places higher than all its neighbours without a bleeder of its own.
 * @source common practice
 */
export function airPlaces(vehicle: Vehicle): AirPlace[] {
  return vehicle.parts.flatMap((part) => {
    const why = whyAir(vehicle, part)
    return why ? [{ partId: part.id, why }] : []
  })
}

function whyAir(vehicle: Vehicle, part: Part): Fact | undefined {
  const name = { part: partFact(part) }
  switch (part.type) {
    case 'master-cylinder':
      if (part.bleeders.length > 0) return undefined
      return part.actuator === 'lever' ? fact('air-hollow-bolt', name) : fact('air-outlets', name)
    case 'control-unit':
      return part.bleeders.length > 0 ? fact('air-until-opened', name) : fact('air-unit', name)
    case 'wheel-brake':
      return part.bleederAtTop === false ? fact('air-bleeder-low', name) : undefined
    case 'reservoir':
      return undefined
    default:
      return isHighest(vehicle, part) ? fact('air-highest', name) : undefined
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
