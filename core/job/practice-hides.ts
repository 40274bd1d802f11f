import { type Fact, fact } from '../base/decision'
import { lineId } from '../rig/parts/line'
import type { RigFault } from '../rig/request'
import { routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'

/** What one vehicle hides: how it is told afterwards, and what it does to it. */
export type Hidden = { what: Fact; faults: RigFault[]; airMl?: Record<string, number> }

/** One kind of thing that a vehicle for practice may hide, at a wheel or anywhere. */
type Kind = {
  id: string
  /** Whoever finds it says at which wheel. */
  atWheel?: true
  hide: (vehicle: Vehicle, wheel: Wheel) => Hidden
}

/** A brake that may hide something, by its first bleeder and its last line. */
export type Wheel = { bleeder: string; part: string; line: string }

const CLOSED_MM = 0.3
const HIDDEN_AIR_ML = 4
const BYPASS_ML_PER_MIN_MPA = 40

const chamberOf = (vehicle: Vehicle) => partsOf(vehicle, 'master-cylinder')[0]?.chambers[0]?.id ?? ''

/** Everything it may hide, by the number that an address gives; 0 is sound. A new one is one entry here and its words. */
const kinds = [
  { id: 'nothing', hide: () => ({ what: fact('hides-nothing'), faults: [] }) },
  {
    id: 'closed-hose',
    atWheel: true,
    hide: (_, { line }) => ({
      what: fact('hides-closed-hose', { line, boreMm: CLOSED_MM }),
      faults: [{ kind: 'hose-closed', at: line, boreMm: CLOSED_MM }],
    }),
  },
  {
    id: 'bypass',
    hide: (vehicle) => {
      const chamber = chamberOf(vehicle)
      return {
        what: fact('hides-bypass', { chamber }),
        faults: [{ kind: 'bypass', at: chamber, mlPerMinPerMPa: BYPASS_ML_PER_MIN_MPA }],
      }
    },
  },
  {
    id: 'air',
    atWheel: true,
    hide: (_, { part }) => ({
      what: fact('hides-air', { part, airMl: HIDDEN_AIR_ML }),
      faults: [],
      airMl: { [part]: HIDDEN_AIR_ML },
    }),
  },
  {
    id: 'no-draw',
    hide: (vehicle) => {
      const chamber = chamberOf(vehicle)
      return { what: fact('hides-no-draw', { chamber }), faults: [{ kind: 'no-draw', at: chamber }] }
    },
  },
] as const satisfies readonly Kind[]
export const hiddenKinds: readonly Kind[] = kinds

/** Brakes of a vehicle in the order of its file, each once. */
export function practiceWheels(vehicle: Vehicle): Wheel[] {
  const wheels = new Map<string, Wheel>()
  for (const { part, bleeder, route } of routedBleeders(vehicle)) {
    const last = route?.lines.at(-1)
    if (part.type === 'wheel-brake' && last && !wheels.has(part.id))
      wheels.set(part.id, { bleeder: bleeder.id, part: part.id, line: lineId(last) })
  }
  return [...wheels.values()]
}

/** What a vehicle hides, by number, at which of its wheels; a sound one where there is no such number. */
export function hiddenIn(vehicle: Vehicle, n = 0, wheel = 0): Hidden {
  const wheels = practiceWheels(vehicle)
  const at = wheels[wheel] ?? wheels[0]
  const kind = hiddenKinds[n]
  return at && kind ? kind.hide(vehicle, at) : kinds[0].hide()
}
