import { fact, type Notice } from '../base/decision'
import { atWheel, type Steps } from './step'
import type { TechniqueContext } from './technique'

/** Usual range on a sound cap. @source common practice, 10–15 psi */
const SOUND_CAP_KPA = [70, 103] as const
/** Usual setting on a sound cap. @source common practice */
const USUAL_KPA = 100
/** Old, makeshift or unknown caps. @source common practice, 5–8 psi */
const DOUBTFUL_CAP_KPA = [35, 55] as const
const DOUBTFUL_KPA = 50
/** Vacuum at the bleeder. @source common practice */
const VACUUM_KPA = [60, 85] as const
const USUAL_VACUUM_KPA = 70

/** Left in a pressure machine's tank and hose, and bought with the rest. @source from memory */
export const MACHINE_KEEPS_ML = 150

const soundCap = ({ reservoirs }: TechniqueContext) =>
  reservoirs.every((reservoir) => reservoir.capSeal === 'sound')

/** Adapters that may go on: the one the reservoir is known to take, else any. */
function adaptersFor({ adapters, reservoirs }: TechniqueContext) {
  const known = new Set(reservoirs.flatMap(({ capAdapter }) => capAdapter ?? []))
  return known.size === 0 ? adapters : adapters.filter(({ name }) => known.has(name))
}

/** Which reservoir's adapter the shop does not have; a shop that lists none is taken to have what fits. */
export function refuseAdapter(context: TechniqueContext): Notice | undefined {
  if (context.adapters.length === 0) return undefined
  const missing = context.reservoirs.find(
    ({ capAdapter }) => capAdapter !== undefined && !context.adapters.some(({ name }) => name === capAdapter),
  )
  return missing ? fact('adapter-missing', { adapter: missing.capAdapter }) : undefined
}

/** Least and most pressure for this reservoir: by its cap, the maker's word on a sound one, and the adapter's rating. */
export function pressureLimits(context: TechniqueContext): readonly [number, number] {
  const stated = context.vehicle.makerSettings?.pressureKPa
  const rated = Math.min(Number.POSITIVE_INFINITY, ...adaptersFor(context).map(({ maxKPa }) => maxKPa))
  const [least, most] = soundCap(context) ? [SOUND_CAP_KPA[0], stated ?? SOUND_CAP_KPA[1]] : DOUBTFUL_CAP_KPA
  const top = Math.min(most, stated ?? most, rated)
  return [Math.min(least, top), top]
}

/** Pressure for the reservoir: the maker's where stated, and never hard on a cap whose seal is not known to be sound. */
export function reservoirPressureKPa(context: TechniqueContext): number {
  const usual = soundCap(context) ? USUAL_KPA : DOUBTFUL_KPA
  return Math.min(context.vehicle.makerSettings?.pressureKPa ?? usual, pressureLimits(context)[1])
}

export function vacuumLimits({ vehicle }: TechniqueContext): readonly [number, number] {
  const stated = vehicle.makerSettings?.vacuumKPa
  return stated === undefined ? VACUUM_KPA : [Math.min(stated, VACUUM_KPA[0]), stated]
}

/** Vacuum at the bleeder: the maker's, else the middle of the usual range. */
export const bleederVacuumKPa = ({ vehicle }: TechniqueContext): number =>
  vehicle.makerSettings?.vacuumKPa ?? USUAL_VACUUM_KPA

/** Whether a metering valve stands between the machine and a corner. */
const throughMetering = ({ vehicle, corners }: TechniqueContext) => {
  const valves = vehicle.parts.flatMap((part) =>
    part.type === 'valve' && part.role === 'metering' ? [part.id] : [],
  )
  return corners.some(({ route }) => route?.lines.some(({ to }) => valves.includes(to)))
}

/** Pressure at the reservoir shuts a metering valve, and nothing reaches the fronts. @source common practice */
export const refuseMetering = (context: TechniqueContext): Notice | undefined =>
  throughMetering(context) && context.lacks.has('metering-tool') ? fact('metering-valve-shut') : undefined

/** Why no machine goes on this reservoir. */
export const refuseMachine = (context: TechniqueContext): Notice | undefined =>
  refuseSmallReservoirs(context) ?? refuseAdapter(context) ?? refuseMetering(context)

/** Machine on, pressure up; pressure off before its adapter comes off. @source common practice */
export function machineSteps(context: TechniqueContext): Steps {
  const names = adaptersFor(context).map(({ name }) => name)
  const [only] = names.length === 1 ? names : []
  const held = throughMetering(context)
  return {
    before: [
      ...(held ? [{ ...atWheel('hold-metering'), sets: 'metering-held' }] : []),
      {
        ...(only === undefined ? atWheel('adapter') : atWheel('adapter-named', { adapter: only }, 'adapter')),
        sets: 'adapter',
      },
      { ...atWheel('pressurise', { setKPa: reservoirPressureKPa(context) }), sets: 'pressure' },
    ],
    after: [
      { ...atWheel('depressurise'), clears: 'pressure' },
      { ...atWheel('adapter-off'), clears: 'adapter' },
      ...(held ? [{ ...atWheel('free-metering'), clears: 'metering-held' }] : []),
      atWheel('draw-to-max'),
    ],
  }
}

/** Trap and gauge before the first bleeder. */
export const vacuumSteps = (context: TechniqueContext): Steps => ({
  before: [atWheel('vacuum', { setKPa: bleederVacuumKPa(context) })],
  after: [],
})

/** Small reservoirs under a bolted lid take no pressure adapter unless the maker says so. @source common practice */
function refuseSmallReservoirs({ vehicle }: TechniqueContext): Notice | undefined {
  const small = vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
  return small && vehicle.makerSettings?.pressureKPa === undefined
    ? fact('pressure-not-on-this-kind', { kind: vehicle.kind })
    : undefined
}

/** A cap that may leak under pressure costs time to watch and to clean up. */
export function capRiskMinutes({ reservoirs }: TechniqueContext): number {
  const seals = reservoirs.map((reservoir) => reservoir.capSeal)
  return seals.includes('aged') ? 20 : seals.includes('unknown') ? 8 : 2
}
