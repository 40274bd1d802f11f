import type { Notice } from '../decision'
import type { MethodContext } from './method'

/** Usual setting on a sound cap, inside 70–103 kPa. @source common practice */
const SOUND_CAP_KPA = 100
/** Old, makeshift or unknown caps: 35–55 kPa. @source common practice */
const DOUBTFUL_CAP_MOST_KPA = 50

/** Pressure for the reservoir: the maker's where stated, and never hard on a cap whose seal is not known to be sound. */
export function reservoirPressureKPa({ vehicle, reservoirs }: MethodContext): number {
  const stated = vehicle.makerSettings?.pressureKPa
  const sound = reservoirs.every((reservoir) => reservoir.capSeal === 'sound')
  if (sound) return stated ?? SOUND_CAP_KPA
  return Math.min(stated ?? DOUBTFUL_CAP_MOST_KPA, DOUBTFUL_CAP_MOST_KPA)
}

/** Vacuum at the bleeder: the maker's, else the middle of 60–85 kPa. @source common practice */
export const bleederVacuumKPa = ({ vehicle }: MethodContext): number => vehicle.makerSettings?.vacuumKPa ?? 70

/** Small reservoirs under a bolted lid take no pressure adapter unless the maker says so. @source common practice */
export function refuseSmallReservoirs({ vehicle }: MethodContext): Notice | undefined {
  const small = vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
  return small && vehicle.makerSettings?.pressureKPa === undefined
    ? {
        code: 'pressure-not-on-this-kind',
        text: `Most ${vehicle.kind}s have no reservoir that takes a pressure adapter, and the maker states no pressure.`,
      }
    : undefined
}

/** A cap that may leak under pressure costs time to watch and to clean up. */
export function capRiskMinutes({ reservoirs }: MethodContext): number {
  const seals = reservoirs.map((reservoir) => reservoir.capSeal)
  return seals.includes('aged') ? 20 : seals.includes('unknown') ? 8 : 2
}
