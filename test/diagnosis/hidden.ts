import type { Chance } from '~core/base/random'
import type { Cause } from '~core/diagnosis/cause'
import type { Complaint } from '~core/diagnosis/complaints'
import { hypothesesOf } from '~core/diagnosis/hypotheses'
import { historySchema } from '~core/diagnosis/request'
import { lineId } from '~core/rig/parts/line'
import type { RigFault } from '~core/rig/request'
import { examples } from '~core/vehicle/examples'
import { routedBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import { rigOf } from '../worlds/rig-of'
import { vehicleFrom } from '../worlds/vehicles'

/** A vehicle that somebody complains of, and what is really wrong with it. */
export type Hidden = {
  vehicle: Vehicle
  complaint: Complaint
  causes: readonly Cause[]
  /** The wheel that it shows at, where it is one wheel's. */
  brake: string
  bleeder: string
  /** How bad it is, 0.5 to 2 of the usual. */
  severity: number
}

const names = [
  'parcel-van',
  'coastguard-saloon',
  'doctors-runabout',
  'ferry-estate',
  'mountain-rescue',
  'quarry-pickup',
  'school-minibus',
  'regatta-coupe',
]
export const fleet: readonly Vehicle[] = names.map((name) => vehicleFrom(examples[name]?.file ?? {}))

const noHistory = historySchema.parse({})

/** One complaint of one vehicle, and one cause or two as often as the tables have them. */
export function hide(chance: Chance, complaint: Complaint): Hidden {
  const vehicle = chance.of(fleet)
  const all = hypothesesOf({ vehicle, complaint, history: noHistory })
  let left = chance.next() * all.reduce((sum, { prior }) => sum + prior, 0)
  const wrong = all.find(({ prior }) => {
    left -= prior
    return left < 0
  })
  const routes = routedBleeders(vehicle).filter(({ part, route }) => part.type === 'wheel-brake' && route)
  const at = chance.of(routes)
  return {
    vehicle,
    complaint,
    causes: wrong?.causes ?? [],
    brake: at.part.id,
    bleeder: at.bleeder.id,
    severity: 0.5 + 1.5 * chance.next(),
  }
}

/** Whether a cause is something that the simulated vehicle can have. */
export const isPhysical = ({ onRig }: Cause): boolean => onRig !== undefined

/** The simulated vehicle as it stands, new fluid all through; `sound` for the same without anything wrong. */
export function standing(hidden: Hidden, sound = false) {
  const airMl: Record<string, number> = {}
  const closedAirMl: Record<string, number> = {}
  const faults: RigFault[] = []
  for (const cause of sound ? [] : hidden.causes) {
    const made = cause.onRig?.(placeOn(hidden, cause), hidden.severity)
    Object.assign(airMl, made?.airMl)
    Object.assign(closedAirMl, made?.closedAirMl)
    faults.push(...(made?.faults ?? []))
  }
  return rigOf(hidden.vehicle, { start: { oldPct: 0, airMl, closedAirMl }, faults })
}

/** The part, line or chamber of the wheel in question, as the rig calls it. */
export function placeOn({ vehicle, brake, bleeder }: Hidden, { at }: Pick<Cause, 'at'>): string {
  const route = routedBleeders(vehicle).find((each) => each.bleeder.id === bleeder)?.route
  const line = route?.lines.at(-1)
  if (at === 'cylinder') return route?.sourceId ?? ''
  if (at === 'unit') return partsOf(vehicle, 'control-unit')[0]?.id ?? ''
  if (at === 'hose' || at === 'line') return line ? lineId(line) : ''
  return brake
}
