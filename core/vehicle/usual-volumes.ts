import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partsOf } from './parts'
import type { PartOf, Vehicle } from './schema'

/** A figure as the file states it, or the usual one where it does not. */
export type Stated = { ml: number; usual: boolean }

/** What keeps every port of a reservoir covered. @source from memory */
const PORTS_COVERED_ML = { car: 40, van: 40, truck: 40, trailer: 40, motorcycle: 8, quad: 8 } as const
/** Behind each piston of a disc brake that is pressed home, and in the caliper's own passages. @source from memory */
const BEHIND_PISTON_MM = 3
const CALIPER_PASSAGES_ML = 2
/** A drum's wheel cylinder with its pistons together. @source from memory */
const WHEEL_CYLINDER_ML = 3

/**
 * How far a reservoir may be drawn down: what must stay in it so that no port lets air in. Never above MIN, which is
 * where the driver is warned.
 */
export function portsCovered({ kind }: Pick<Vehicle, 'kind'>, reservoir: PartOf<'reservoir'>): Stated {
  const { portsCoveredMl, minMl } = reservoir
  return portsCoveredMl === undefined
    ? { ml: Math.min(minMl, PORTS_COVERED_ML[kind]), usual: true }
    : { ml: portsCoveredMl, usual: false }
}

/** Reservoirs that stand so low that a port is bare: air goes in there, whoever says that none did. */
export const withBarePorts = (
  vehicle: Vehicle,
  levelMl: Readonly<Record<string, number>> = {},
): PartOf<'reservoir'>[] =>
  partsOf(vehicle, 'reservoir').filter((reservoir) => {
    const seenMl = levelMl[reservoir.id]
    return seenMl !== undefined && seenMl < portsCovered(vehicle, reservoir).ml
  })

/** What a brake holds with its pistons home, over all of its bleeders and circuits. */
export function deadVolume({ brake, pistons, deadMl }: PartOf<'wheel-brake'>): Stated {
  if (deadMl !== undefined) return { ml: deadMl, usual: false }
  if (brake === 'drum') return { ml: WHEEL_CYLINDER_ML, usual: true }
  const behind = pistons.reduce(
    (sum, { diameterMm, count }) => sum + count * cylinderMl(diameterMm, BEHIND_PISTON_MM),
    0,
  )
  return { ml: behind + CALIPER_PASSAGES_ML, usual: true }
}
