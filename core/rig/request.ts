import { z } from 'zod'
import type { Fault, Reading } from '../base/fault'
import { readWith } from '../base/zod-faults'
import { allBleeders, partsOf } from '../vehicle/parts'
import { readVehicle } from '../vehicle/read-vehicle'
import { type Vehicle, vehicleSchema } from '../vehicle/schema'
import { assemble } from './assemble'
import { lineId } from './parts/line'

const id = z.string('give an id').min(1, 'give an id').max(200, 'give an id of at most 200 characters')
const from = (least: number, most: number, unit: string) =>
  z
    .number(`give a number of ${unit}`)
    .min(least, `give ${least} ${unit} or more`)
    .max(most, `give at most ${most} ${unit}`)
const millilitres = from(0, 20_000, 'mL')
const byId = (value: z.ZodType<number>) => z.record(id, value, 'give figures by id').default({})

const faultSchema = z.discriminatedUnion(
  'kind',
  [
    z.object({ kind: z.literal('hose-closed'), at: id, boreMm: from(0.05, 50, 'mm') }),
    z.object({ kind: z.literal('hose-flap'), at: id }),
    z.object({ kind: z.literal('hose-soft'), at: id, mlPerMPa: from(0, 100, 'mL/MPa') }),
    z.object({ kind: z.literal('bypass'), at: id, mlPerMinPerMPa: from(1e-3, 1e5, 'mL/min for each MPa') }),
    z.object({ kind: z.literal('leak'), at: id, mlPerMinPerMPa: from(1e-3, 1e5, 'mL/min for each MPa') }),
    z.object({ kind: z.literal('no-return'), at: id }),
    z.object({ kind: z.literal('no-draw'), at: id }),
    z.object({ kind: z.literal('piston-stuck'), at: id }),
    /** Pressure reaches a unit's closed branches, and flow does not: their air is felt at the pedal and comes at no bleeder. */
    z.object({ kind: z.literal('branch-pressed'), at: id }),
    /** Its bleeders are not its highest place: the air above them stays. */
    z.object({ kind: z.literal('bleeder-low'), at: id }),
  ],
  'give a fault with a kind: hose-closed, hose-flap, hose-soft, bypass, leak, no-return, no-draw, piston-stuck, branch-pressed or bleeder-low',
)
export type RigFault = z.output<typeof faultSchema>

const lasts = { for: from(0, 36_000, 's').default(0.5) }
const act = <D extends string, S extends z.ZodRawShape>(name: D, shape: S) =>
  z.object({ do: z.literal(name), ...lasts, ...shape })
const actSchema = z.discriminatedUnion(
  'do',
  [
    act('press', { cylinder: id, effortN: from(0, 5000, 'N'), overS: from(0.01, 60, 's').default(0.2) }),
    act('release', { cylinder: id, overS: from(0.01, 60, 's').default(0.3) }),
    act('open', {
      bleeder: id,
      turns: from(0.05, 5, 'turns').default(0.5),
      hose: z
        .enum(['open', 'under-fluid', 'check-valve'], 'give open, under-fluid or check-valve')
        .default('open'),
    }),
    act('close', { bleeder: id }),
    act('crack', { at: id }),
    act('tighten', { at: id }),
    act('pressurise', { reservoir: id, kPa: from(0, 1000, 'kPa') }),
    act('vacuum', { bleeder: id, kPa: from(0, 101, 'kPa') }),
    act('feed', { reservoir: id, on: z.boolean('give true or false') }),
    act('pour', { reservoir: id, ml: millilitres }),
    act('draw', { reservoir: id, ml: millilitres }),
    act('wipe', { reservoir: id }),
    act('syringe', { bleeder: id, ml: millilitres }),
    act('push-back', { brake: id }),
    act('bench', {
      cylinder: id,
      strokes: z.int('give a whole number').min(1, 'give 1 or more').max(1000, 'give at most 1000'),
      /** Slowly, so that what rises has risen before the next. */
      everyS: from(0.2, 600, 's').default(5),
    }),
    act('cycle', { unit: id }),
    act('hold', { valve: id, on: z.boolean('give true or false') }),
    act('wait', {}),
  ],
  'give an act: press, release, open, close, crack, tighten, pressurise, vacuum, feed, pour, draw, wipe, syringe, push-back, bench, cycle, hold or wait',
)
export type RigAct = z.output<typeof actSchema>

export const startSchema = z.object({
  oldPct: from(0, 100, '%').default(100),
  newIn: z.array(id, 'give a list of ids').max(600, 'give at most 600 ids').default([]),
  levelMl: byId(millilitres),
  airMl: byId(millilitres),
  closedAirMl: byId(millilitres),
  tempC: from(-40, 80, '°C').default(20),
  boost: z.boolean('give true or false').default(false),
  /** Wheels off the ground: a load-sensing valve is shut until it is held. */
  axlesHang: z.boolean('give true or false').default(false),
})

/** All of it old, reservoirs at MAX, no air, 20 °C, the booster empty, on its wheels. */
export const usualStart = startSchema.parse({})

const bodySchema = z.object({
  format: z.literal('ruddy-siphon.rig-request', 'give "ruddy-siphon.rig-request"'),
  version: z.literal(1, 'give 1, the only version there is'),
  start: startSchema.prefault({}),
  faults: z.array(faultSchema, 'give a list of faults').max(50, 'give at most 50 faults').default([]),
  acts: z.array(actSchema, 'give a list of acts').max(5000, 'give at most 5000 acts').default([]),
})
/** The whole shape as it is published. */
export const rigRequestSchema = bodySchema.extend({ vehicle: vehicleSchema })
export type RigRequest = Omit<z.output<typeof bodySchema>, 'format' | 'version'> & { vehicle: Vehicle }

/** More than this is no workshop's afternoon, and would be waited for. */
const MOST_S = 36_000

/**
 * Read a rig request: its shape, its vehicle, then that every id in it is one of the vehicle's and of the right kind.
 */
export function readRigRequest(input: unknown): Reading<RigRequest> {
  const body = readWith(bodySchema, input)
  const given =
    input !== null && typeof input === 'object' ? (input as { vehicle?: unknown }).vehicle : undefined
  const vehicle = readVehicle(given, 'vehicle')
  if (!body.ok || !vehicle.ok)
    return { ok: false, faults: [...(body.ok ? [] : body.faults), ...(vehicle.ok ? [] : vehicle.faults)] }
  const { format: _format, version: _version, ...request } = body.value
  const value = { ...request, vehicle: vehicle.value }
  const faults = referenceFaults(value)
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value }
}

function referenceFaults({ vehicle, start, faults, acts }: RigRequest): Fault[] {
  const lines = new Set(vehicle.lines.map(lineId))
  const chambers = new Set(
    partsOf(vehicle, 'master-cylinder').flatMap((cylinder) => cylinder.chambers.map((each) => each.id)),
  )
  const parts = new Set(vehicle.parts.map((part) => part.id))
  const of = (type: Vehicle['parts'][number]['type']) =>
    new Set(vehicle.parts.filter((part) => part.type === type).map((part) => part.id))
  const known = {
    bleeder: new Set(allBleeders(vehicle).map(({ bleeder }) => bleeder.id)),
    cylinder: of('master-cylinder'),
    reservoir: of('reservoir'),
    brake: of('wheel-brake'),
    unit: of('control-unit'),
    valve: of('valve'),
  }
  const holds = new Set([...parts, ...lines, ...chambers])
  const leaks = new Set([...holds].filter((each) => !known.reservoir.has(each)))
  const found: Fault[] = []
  const ask = (path: string, value: string, among: ReadonlySet<string>, what: string) => {
    if (!among.has(value)) found.push({ path, message: `there is no ${what} "${value}" in this vehicle` })
  }
  for (const [i, each] of start.newIn.entries()) ask(`start.newIn.${i}`, each, holds, 'part or line')
  for (const each of Object.keys(start.airMl)) ask(`start.airMl.${each}`, each, holds, 'part or line')
  for (const each of Object.keys(start.levelMl))
    ask(`start.levelMl.${each}`, each, known.reservoir, 'reservoir')
  for (const each of Object.keys(start.closedAirMl))
    ask(`start.closedAirMl.${each}`, each, known.unit, 'control unit')
  for (const [i, { kind, at }] of faults.entries()) {
    const path = `faults.${i}.at`
    if (kind.startsWith('hose')) ask(path, at, lines, 'line')
    else if (kind === 'leak') ask(path, at, leaks, 'part or line that could leak')
    else if (kind === 'piston-stuck' || kind === 'bleeder-low') ask(path, at, known.brake, 'wheel brake')
    else if (kind === 'branch-pressed') ask(path, at, known.unit, 'control unit')
    else ask(path, at, chambers, 'chamber')
  }
  for (const [i, each] of acts.entries()) {
    for (const what of ['bleeder', 'cylinder', 'reservoir', 'brake', 'unit', 'valve'] as const) {
      const value = (each as Partial<Record<typeof what, string>>)[what]
      if (value !== undefined) ask(`acts.${i}.${what}`, value, known[what], what)
    }
    if ('at' in each) ask(`acts.${i}.at`, each.at, new Set([...chambers, ...lines]), 'chamber or line')
  }
  if (found.length === 0) found.push(...unreachedFaults(vehicle, acts))
  if (acts.reduce((sum, each) => sum + each.for, 0) > MOST_S)
    found.push({ path: 'acts', message: `give acts that last at most ${MOST_S} s together` })
  return found
}

/** Bleeders and joints that no chamber and no pump leads to: nothing would come there, whatever is done. */
function unreachedFaults(vehicle: Vehicle, acts: RigRequest['acts']): Fault[] {
  const opened = acts.flatMap((each, i) => {
    if ('bleeder' in each) return [{ path: `acts.${i}.bleeder`, id: each.bleeder, kind: 'bleeder' }]
    return 'at' in each ? [{ path: `acts.${i}.at`, id: each.at, kind: 'joint' }] : []
  })
  if (opened.length === 0) return []
  const { outlets } = assemble(vehicle, usualStart, [])
  return opened
    .filter(({ id, kind }) => !outlets.some((outlet) => outlet.id === id && outlet.kind === kind))
    .map(({ path, id }) => ({ path, message: `no chamber and no pump leads to "${id}" in this vehicle` }))
}
