import { z } from 'zod'
import { type Fault, ImpossibleInput, type Reading } from '../base/fault'
import { readWith } from '../base/zod-faults'
import { pairOf } from '../fluid/judge'
import { limitsInUseSchema } from '../fluid/policy/policy'
import {
  readingKinds,
  readingPlaces,
  type TakenReading,
  takenReading,
  takenReadingSchema,
} from '../fluid/readings'
import { fluidSpecSchema } from '../fluid/specs'
import { testerOf } from '../fluid/testers'
import { equipmentIds } from '../technique/equipment'
import { methodIds, techniqueIdSchema } from '../technique/technique'
import { allBleeders } from '../vehicle/parts'
import { readVehicle } from '../vehicle/read-vehicle'
import type { Vehicle } from '../vehicle/schema'
import { orderSchoolIds } from './order'

const choice = <const T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, `give one of: ${values.join(', ')}`)
const ids = z.array(z.string('give an id')).max(400).default([])

export const reasonIds = ['service', 'repair', 'conversion', 'soft-pedal'] as const
/** Why a unit is worked that nobody opened. */
export const unitReasons = ['maker', 'old-fluid', 'soft-pedal', 'panic-stop'] as const

export const readingSchema = z.object({
  kind: choice(readingKinds),
  value: z
    .number('give a number')
    .min(0, 'give a reading of 0 or more')
    .max(1e6, 'give a reading up to 1000000'),
  at: choice(readingPlaces),
})

export const workSchema = z.object({
  reason: choice(reasonIds),
  opened: ids,
  replaced: ids,
  ranDry: z.boolean('give true or false').default(false),
  systemEmpty: z.boolean('give true or false').default(false),
  padWearMm: z
    .record(
      z.string(),
      z.number('give a wear in mm').min(0, 'give a wear of 0 mm or more').max(100, 'give at most 100 mm'),
    )
    .default({}),
  /** Brakes whose pistons are pressed home for new pads before the bleed, by id. */
  pistonsHome: z.array(z.string('give an id')).max(100, 'give at most 100 ids').optional(),
  /** Brakes whose wheel comes off, by id: [] where none does; left out where nobody said. */
  wheelsOff: z.array(z.string('give an id')).max(100, 'give at most 100 ids').optional(),
  /** What stands in each reservoir as it came in, where that was seen. */
  levelMl: z
    .record(
      z.string(),
      z.number('give a level in mL').min(0, 'give 0 mL or more').max(20_000, 'give at most 20000 mL'),
    )
    .optional(),
  fluidFound: z
    .union([fluidSpecSchema, z.literal('unknown')], 'give a fluid spec, "unknown", or leave it out')
    .optional(),
  reading: readingSchema.optional(),
  /** Every reading that was taken, by tester; beats the one above. */
  readings: z.array(takenReadingSchema).max(6, 'give at most 6 readings').optional(),
  /** Since the last exchange, where that is known. */
  monthsSince: z.number('give months').min(0, 'give 0 or more').max(1200, 'give at most 1200').optional(),
  kmSince: z.number('give km').min(0, 'give 0 or more').max(5e6, 'give at most 5000000').optional(),
  /** Dry and wet boiling points of the product that is in it, from its data sheet. */
  product: z
    .object({
      dryC: z.number('give °C').gt(100, 'give more than 100 °C').max(370, 'give at most 370 °C'),
      wetC: z.number('give °C').gt(60, 'give more than 60 °C').max(370, 'give at most 370 °C'),
    })
    .refine(({ dryC, wetC }) => wetC <= dryC, {
      path: ['wetC'],
      message: 'give a wet boiling point not above the dry one',
    })
    .optional(),
  /** A unit that was not opened is worked too, and why; left out, its closed branches keep what stands in them. */
  workUnit: choice(unitReasons).optional(),
  /** What is to go in, where that is another than the vehicle calls for. */
  fluidUsed: fluidSpecSchema.optional(),
  /** Ways of working taken by hand against the program's own, one for each place that is worked. */
  ways: z
    .array(
      z.object({
        technique: techniqueIdSchema,
        why: z
          .string('say why this way is taken')
          .trim()
          .min(1, 'say why this way is taken')
          .max(500, 'give at most 500 characters'),
      }),
      'give a list of ways',
    )
    .max(3, 'give at most 3 ways')
    .default([]),
  /** An order set by hand; bleeders it leaves out follow in the usual one. */
  order: z
    .object({
      bleeders: z
        .array(z.string('give a bleeder id'), 'give a list of bleeder ids')
        .min(1, 'give at least one bleeder id')
        .max(100, 'give at most 100 bleeder ids'),
      why: z
        .string('say why the order is changed')
        .trim()
        .min(1, 'say why the order is changed')
        .max(500, 'give at most 500 characters'),
    })
    .optional(),
})

export const shopSchema = z.object({
  methods: z.array(choice(methodIds), 'give a list of methods').max(50).default([]),
  /** People who can sit in the cab. */
  helpers: z.int('give a whole number').min(0, 'give 0 or more').max(20, 'give at most 20').default(1),
  /** Equipment the shop does not have; everything else that its methods need is taken to be there. */
  lacks: z.array(choice(equipmentIds), 'give a list of equipment').max(50).default([]),
  /** Cap adapters of the pressure machine; none listed means that one is taken to fit. */
  adapters: z
    .array(
      z.object({
        name: z.string('give a name').trim().min(1, 'give a name').max(60, 'give at most 60 characters'),
        maxKPa: z.number('give kPa').gt(0, 'give a rating above 0 kPa').max(1000, 'give at most 1000 kPa'),
      }),
      'give a list of adapters',
    )
    .max(50)
    .default([]),
  /** Containers on the shelf that may be poured. */
  onHand: z
    .array(
      z.object({
        spec: fluidSpecSchema,
        ml: z.number('give mL').min(1, 'give 1 mL or more').max(250_000, 'give at most 250000 mL'),
        count: z.int('give a whole number').min(1, 'give 1 or more').max(99, 'give at most 99').default(1),
        /** Opened already: used up before a sealed one is opened. */
        opened: z.boolean('give true or false').optional(),
      }),
      'give a list of containers',
    )
    .max(50)
    .default([]),
  orderSchool: choice(orderSchoolIds).default('furthest-first'),
  scopeSchool: choice(['local', 'whole']).default('local'),
  tempC: z
    .number('give a temperature in °C')
    .min(-40, 'give −40 °C or more')
    .max(60, 'give 60 °C or less')
    .default(20),
  /** Above the sea: fluid boils lower up there, and its limits are stated down here. */
  heightM: z
    .number('give a height in m')
    .min(-400, 'give −400 m or more')
    .max(5000, 'give 5000 m or less')
    .default(0),
  targetOldPct: z
    .number('give a share in %')
    .min(0.01, 'give 0.01 % or more')
    .max(50, 'give 50 % or less')
    .optional(),
  /** Every limit in use for this vehicle's fluid, by rule; beats the three below. */
  limits: limitsInUseSchema.optional(),
  /** The shop's own limits for this vehicle's fluid; left out, those of common practice. */
  moisture: z
    .object({
      waterPct: z
        .number('give a share in %')
        .gt(0, 'give more than 0 %')
        .max(20, 'give at most 20 %')
        .optional(),
      marginC: z.number('give °C').min(0, 'give 0 °C or more').max(200, 'give at most 200 °C').optional(),
      copperPpm: z
        .number('give ppm')
        .gt(0, 'give more than 0 ppm')
        .max(1e5, 'give at most 100000 ppm')
        .optional(),
    })
    .optional(),
  containersMl: z
    .array(z.number('give a size in mL').min(1, 'give 1 mL or more').max(250_000, 'give 250000 mL or less'))
    .min(1, 'give at least one size')
    .max(20, 'give at most 20 sizes')
    .default([500, 1000]),
})

const requestShape = z.object({
  format: z.literal('ruddy-siphon.plan-request', 'give "ruddy-siphon.plan-request"'),
  version: z.literal(1, 'give 1, the only version there is'),
  vehicle: z.unknown(),
  work: workSchema,
  shop: shopSchema.prefault({}),
  /** Whether the plan is also run on the simulated vehicle. */
  onRig: z.boolean('give true or false').optional(),
})

export type Work = z.output<typeof workSchema>
export type Shop = z.output<typeof shopSchema>
export type PlanRequest = { vehicle: Vehicle; work: Work; shop: Shop }

/** Read a plan request: its shape, its vehicle, and that the work names parts the vehicle has. */
export function readPlanRequest(input: unknown): Reading<PlanRequest> {
  const shape = readWith(requestShape, input)
  const raw = typeof input === 'object' && input !== null && 'vehicle' in input ? input.vehicle : undefined
  const vehicle = readVehicle(raw, 'vehicle')
  const faults = [...(shape.ok ? [] : shape.faults), ...(vehicle.ok ? [] : vehicle.faults)]
  if (!shape.ok || !vehicle.ok) return { ok: false, faults }
  const { work, shop } = shape.value
  faults.push(...workFaults(vehicle.value, work))
  return faults.length > 0
    ? { ok: false, faults }
    : { ok: true, value: { vehicle: vehicle.value, work, shop } }
}

/** What the work says of parts this vehicle does not have. */
export function workFaults(vehicle: Vehicle, work: Work): Fault[] {
  const faults: Fault[] = []
  const known = new Set([
    ...vehicle.parts.map((part) => part.id),
    ...vehicle.lines.flatMap((line) => line.id ?? []),
  ])
  for (const field of ['opened', 'replaced'] as const)
    for (const [i, id] of work[field].entries())
      if (!known.has(id))
        faults.push({
          path: `work.${field}.${i}`,
          message: `there is no part or line "${id}"; give ids of this vehicle`,
        })
  const noBrake = (id: string) => !vehicle.parts.some((part) => part.id === id && part.type === 'wheel-brake')
  const brakes = [
    ...Object.keys(work.padWearMm).map((id) => ({ id, path: `work.padWearMm.${id}` })),
    ...(work.pistonsHome ?? []).map((id, i) => ({ id, path: `work.pistonsHome.${i}` })),
    ...(work.wheelsOff ?? []).map((id, i) => ({ id, path: `work.wheelsOff.${i}` })),
  ]
  for (const { id, path } of brakes)
    if (noBrake(id))
      faults.push({ path, message: `there is no wheel brake "${id}"; give ids of this vehicle’s brakes` })
  for (const id of Object.keys(work.levelMl ?? {}))
    if (!vehicle.parts.some((part) => part.id === id && part.type === 'reservoir'))
      faults.push({
        path: `work.levelMl.${id}`,
        message: `there is no reservoir "${id}"; give ids of this vehicle’s reservoirs`,
      })
  const bleeders = allBleeders(vehicle).map(({ bleeder }) => bleeder.id)
  for (const [i, id] of (work.order?.bleeders ?? []).entries()) {
    const path = `work.order.bleeders.${i}`
    if (!bleeders.includes(id))
      faults.push({ path, message: `there is no bleeder "${id}"; give bleeder ids of this vehicle` })
    if (work.order?.bleeders.indexOf(id) !== i)
      faults.push({ path, message: `the bleeder "${id}" is listed twice; list each once` })
  }
  const { readings, path } = readingsOf(work)
  for (const [i, reading] of readings.entries())
    try {
      testerOf(reading.tester).tell(reading.value, {
        pair: pairOf(vehicle.fluid.spec, work.product),
        heightM: 0,
      })
    } catch (error) {
      if (!(error instanceof ImpossibleInput)) throw error
      faults.push({ path: `${path(i)}.${error.path}`, message: error.message })
    }
  return faults
}

/** What was read, of however many testers, and where the request says so. */
export function readingsOf({ reading, readings }: Pick<Work, 'reading' | 'readings'>): {
  readings: TakenReading[]
  path: (i: number) => string
} {
  if (readings) return { readings, path: (i) => `work.readings.${i}` }
  return { readings: reading ? [takenReading(reading)] : [], path: () => 'work.reading' }
}
