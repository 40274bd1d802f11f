import type { Found } from '../diagnosis/request'
import { RESTRICTED_SHARE } from '../physics/hydraulics/restriction'
import { strokeMl } from '../technique/strokes'
import type { Vehicle } from '../vehicle/schema'
import { jointIdAt } from './joints'
import { looksAfterPull, pointOf, routedBleederOf, sourceOf } from './points'
import type { RunState, StageRunState } from './state'

/** Pulls that moved next to nothing before it is a finding. @source common practice */
export const STILL = 2
/** Light strokes of the pedal, counted, with one bleeder alone open. @source common practice */
export const LIGHT_STROKES = 5
/** A light stroke moves so much of a whole one. @source from memory */
const LIGHT_SHARE = 0.5
/** Less than this of what they should bring is nothing. @source from memory */
const NOTHING_SHARE = 0.05

/** Where fluid is held that does not come. */
export type HeldAt = 'cylinder' | 'unit' | 'bleeder' | 'elsewhere' | 'hose' | 'between'

/** One look for where the fluid stops. A new one is one entry in the list, and its words. */
export type FlowLook = {
  id: string
  /** Whether there is anything to look at on the way to this place. */
  applies: (vehicle: Vehicle, point: string) => boolean
  /** What may be found there. */
  results: readonly string[]
  /** Where it is held, by what was found; left out, the search goes on. */
  held: Readonly<Partial<Record<string, HeldAt>>>
  /** How many light strokes are counted: what they brought is measured, and says the result. */
  strokes?: number
  /** The end of a line that is cracked for it, by its joint. */
  cracks?: (vehicle: Vehicle, point: string) => string | undefined
  /** The bleeder itself comes out: air may come in there. */
  bleederOut?: true
  /** The check of the fault finder that has been made by it, and its result, by what was found. */
  tells: Readonly<Partial<Record<string, { check: Found['check']; result: string }>>>
  cautions: readonly string[]
}

const routeOf = (vehicle: Vehicle, point: string) => routedBleederOf(vehicle, point)?.route

/** The line out of the last control unit on the way to a place. */
function outOfUnit(vehicle: Vehicle, point: string) {
  const units = new Set(vehicle.parts.flatMap(({ id, type }) => (type === 'control-unit' ? id : [])))
  return routeOf(vehicle, point)?.lines.findLast(({ from }) => units.has(from))
}

/** The line out of the cylinder; none where a pump feeds it. */
function outOfCylinder(vehicle: Vehicle, point: string) {
  const route = routeOf(vehicle, point)
  const chambers = vehicle.parts.flatMap((part) => (part.type === 'master-cylinder' ? part.chambers : []))
  return chambers.some(({ id }) => id === route?.sourceId) ? route?.lines[0] : undefined
}

const atBleeder = (vehicle: Vehicle, point: string) => routedBleederOf(vehicle, point) !== undefined
const fromEnd = (line: ReturnType<typeof outOfUnit>): string | undefined => line && jointIdAt(line, line.from)

/** From the cylinder outwards; then what costs no joint. @source common practice */
export const flowLooks: readonly FlowLook[] = [
  {
    id: 'port',
    applies: (vehicle, point) => outOfCylinder(vehicle, point) !== undefined,
    results: ['comes', 'nothing'],
    held: { nothing: 'cylinder' },
    cracks: (vehicle, point) => fromEnd(outOfCylinder(vehicle, point)),
    tells: { nothing: { check: 'thumb', result: 'nothing' } },
    cautions: ['rag-and-shield', 'fluid-eats-paint'],
  },
  {
    id: 'unit',
    applies: (vehicle, point) => outOfUnit(vehicle, point) !== undefined,
    results: ['comes', 'nothing'],
    held: { nothing: 'unit' },
    cracks: (vehicle, point) => fromEnd(outOfUnit(vehicle, point)),
    // What does not come out of the unit does not come at a joint behind it either.
    tells: { nothing: { check: 'joint-cracked', result: 'nothing-comes' } },
    cautions: ['rag-and-shield', 'fluid-eats-paint'],
  },
  {
    id: 'bleeder-out',
    applies: atBleeder,
    results: ['comes', 'nothing'],
    held: { comes: 'bleeder' },
    bleederOut: true,
    tells: {
      comes: { check: 'bleeder-out', result: 'comes' },
      nothing: { check: 'bleeder-out', result: 'nothing-comes' },
    },
    cautions: ['eye-protection', 'fluid-eats-paint'],
  },
  {
    id: 'three-closed',
    // What no stroke drives cannot be judged by strokes.
    applies: (vehicle, point) => atBleeder(vehicle, point) && lightStrokesMl(vehicle, point) !== undefined,
    results: ['comes', 'weak', 'nothing'],
    held: { comes: 'elsewhere' },
    strokes: LIGHT_STROKES,
    tells: {
      weak: { check: 'flow', result: 'weak-one' },
      nothing: { check: 'flow', result: 'none-one' },
    },
    cautions: [],
  },
  {
    id: 'return',
    applies: (vehicle, point) => routedBleederOf(vehicle, point)?.part.type === 'wheel-brake',
    results: ['frees', 'drags'],
    held: { drags: 'hose' },
    tells: {
      frees: { check: 'return', result: 'returns' },
      drags: { check: 'return', result: 'does-not' },
    },
    cautions: ['wheel-on-stands'],
  },
]

export const flowLookOf = (id: string): FlowLook | undefined => flowLooks.find((look) => look.id === id)

/** By a name that was recorded, and nothing that every object has. */
const own = <T>(of: Readonly<Partial<Record<string, T>>>, name: string | undefined): T | undefined =>
  name !== undefined && Object.hasOwn(of, name) ? of[name] : undefined

/** What the looks at a place showed so far, by look. */
export type FlowLooked = Readonly<Record<string, string>>

/**
 * The place under work, where the pedal went down and next to nothing came, pull after pull: a finding, never its end.
 * Bubbles that do not move say something else: there the cylinder draws nothing.
 */
export function stopsAt(stageRun: StageRunState, point: string): boolean {
  const progress = pointOf(stageRun, point)
  return (progress?.still ?? 0) >= STILL && progress?.bubbles === 'none' && looksAfterPull(stageRun.stage)
}

/** The looks there are for a place; none at a port, which is looked at itself. */
export const flowLooksFor = (vehicle: Vehicle, point: string): FlowLook[] =>
  flowLooks.filter(({ applies }) => applies(vehicle, point))

/** Where it is held by one look alone; undefined where that one lets the search go on. */
export const holdsAt = (look: string, is: string): HeldAt | undefined => own(flowLookOf(look)?.held ?? {}, is)

/** Where it is held, as far as the looks say; `between` once all were made and none holds it. */
export function heldAt(vehicle: Vehicle, point: string, looked: FlowLooked = {}): HeldAt | undefined {
  const looks = flowLooksFor(vehicle, point)
  for (const { id } of looks) {
    const at = holdsAt(id, looked[id] ?? '')
    if (at !== undefined) return at
  }
  return looks.length > 0 && looks.every(({ id }) => Object.hasOwn(looked, id)) ? 'between' : undefined
}

/** The look that comes next; undefined once it is known where it is held. */
export function nextFlowLook(vehicle: Vehicle, point: string, looked: FlowLooked = {}): FlowLook | undefined {
  if (heldAt(vehicle, point, looked) !== undefined) return undefined
  return flowLooksFor(vehicle, point).find(({ id }) => !Object.hasOwn(looked, id))
}

/** What counted light strokes should bring where nothing is in the way, mL; undefined where no cylinder feeds the place. */
export function lightStrokesMl(vehicle: Vehicle, point: string): number | undefined {
  const source = sourceOf(vehicle, point)
  const whole = source === undefined ? undefined : strokeMl(vehicle, source)
  return whole === undefined ? undefined : LIGHT_STROKES * LIGHT_SHARE * whole
}

/** What so much by counted light strokes says: it comes, it comes weakly, or nothing does. */
export function strokesSay(vehicle: Vehicle, point: string, ml: number): 'comes' | 'weak' | 'nothing' {
  const share = ml / (lightStrokesMl(vehicle, point) ?? Number.POSITIVE_INFINITY)
  if (!(share > NOTHING_SHARE)) return 'nothing'
  return share < RESTRICTED_SHARE ? 'weak' : 'comes'
}

/** Whether another place of the same chamber has passed fluid on this run: then it is this one alone. */
const othersPassed = ({ stages }: RunState, vehicle: Vehicle, point: string): boolean =>
  stages.some(({ at }) =>
    Object.entries(at).some(
      ([id, { ml }]) => id !== point && ml > 0 && sourceOf(vehicle, id) === sourceOf(vehicle, point),
    ),
  )

/** What the looks tell the fault finder. That nothing comes at one wheel is said only where another one has flowed. */
export function toldByLooks(
  run: RunState,
  vehicle: Vehicle,
  point: string,
  looked: FlowLooked = {},
): Found[] {
  const at = routedBleederOf(vehicle, point)?.part.id
  return flowLooks.flatMap(({ id, strokes, tells }) => {
    const told = own(tells, looked[id])
    if (!told || (strokes !== undefined && !othersPassed(run, vehicle, point))) return []
    return [{ ...told, ...(at !== undefined && told.check !== 'thumb' && { at }) }]
  })
}
