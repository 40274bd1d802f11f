import { boosterOf } from '../vehicle/booster'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'

/** What of a vehicle decides what can be wrong with it, and what can be looked at. */
export type Traits = {
  unit: boolean
  /** A routine of the unit's own can be asked for. */
  routine: boolean
  drums: boolean
  discs: boolean
  hoses: boolean
  booster: boolean
  clutch: boolean
  /** A lamp that watches the level. */
  levelLamp: boolean
  /** A hose may be clamped with the proper tool: the braided ones of motorcycles and quads never. */
  mayClamp: boolean
}

/** Lamps that watch the level came into use about then. @source from memory */
const LAMP_SINCE = 1975

/** @param vehicle where none is known, everything is taken to be there */
export function traitsOf(vehicle: Vehicle | undefined): Traits {
  if (!vehicle) return everything
  const brakes = partsOf(vehicle, 'wheel-brake')
  const units = partsOf(vehicle, 'control-unit')
  const hoses = vehicle.lines.some(({ segments }) => segments.some(({ kind }) => kind === 'hose'))
  const ridden = vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
  return {
    unit: units.length > 0,
    routine: units.some(({ routine }) => routine !== 'none'),
    drums: brakes.some(({ brake, parkingBrake }) => brake === 'drum' || parkingBrake === 'built-in'),
    discs: brakes.some(({ brake }) => brake === 'disc'),
    hoses,
    booster: boosterOf(vehicle) !== 'none',
    clutch: partsOf(vehicle, 'clutch-slave').length > 0,
    levelLamp: !ridden && vehicle.kind !== 'trailer' && (vehicle.modelYear ?? LAMP_SINCE) >= LAMP_SINCE,
    mayClamp: hoses && !ridden,
  }
}

const everything: Traits = {
  unit: true,
  routine: true,
  drums: true,
  discs: true,
  hoses: true,
  booster: true,
  clutch: true,
  levelLamp: true,
  mayClamp: true,
}
