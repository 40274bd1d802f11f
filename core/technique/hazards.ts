import type { TechniqueContext } from './technique'

/** Whether a valve on the way to any of these bleeders holds pressure back, so that weak methods cannot pass it. */
export function residualHeldBack({ vehicle, corners }: TechniqueContext): boolean {
  const holds = new Set(
    vehicle.parts
      .filter((part) => part.residualKPa !== undefined || (part.type === 'valve' && part.role === 'residual'))
      .map((part) => part.id),
  )
  return corners.some(
    ({ part, route }) =>
      holds.has(part.id) ||
      route?.lines.some((line) => holds.has(line.to)) ||
      cylinderHolds(vehicle.parts, holds, route?.sourceId),
  )
}

function cylinderHolds(
  parts: TechniqueContext['vehicle']['parts'],
  holds: Set<string>,
  sourceId: string | undefined,
): boolean {
  return parts.some(
    (part) =>
      part.type === 'master-cylinder' &&
      holds.has(part.id) &&
      part.chambers.some((chamber) => chamber.id === sourceId),
  )
}
