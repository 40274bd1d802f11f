import { z } from 'zod'
import { vehicleKinds } from '../base/vehicle-kinds'
import { fluidSpecSchema } from '../fluid/specs'
import { procedureSchema } from '../procedure/schema'

/** Less than this of anything is a slip, and divided by would leave the numbers a computer has. */
const SMALLEST = 0.001

/** Bounds are far outside any road vehicle: they refuse slips of the pen and numbers that would overflow. */
const above0 = (unit: string, most: number) =>
  z
    .number(`give a number of ${unit}`)
    .gt(0, `give a value above 0 ${unit}`)
    .min(SMALLEST, `give ${SMALLEST} ${unit} or more`)
    .max(most, `give at most ${most} ${unit}`)
const from0 = (unit: string, most: number) =>
  z
    .number(`give a number of ${unit}`)
    .min(0, `give 0 ${unit} or more`)
    .max(most, `give at most ${most} ${unit}`)

export const idSchema = z
  .string('give an id: a short text')
  .min(1, 'give an id: a short text')
  .max(60, 'give an id of at most 60 characters')
const freeText = z.string('give a text').max(200, 'give at most 200 characters')
const oneOf = <const T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, `give one of: ${values.join(', ')}`)

export const positions = ['front-left', 'front-right', 'rear-left', 'rear-right', 'front', 'rear'] as const
export type Position = (typeof positions)[number]

const bleederSchema = z.object({
  id: idSchema,
  wrenchMm: above0('mm', 60).optional(),
  torqueNm: above0('N·m', 200).optional(),
  circuit: idSchema.optional(),
  /** How one gets at it: "behind the side panel". */
  access: z.string('give a text').max(80, 'give at most 80 characters').optional(),
})
const bleeders = z
  .array(bleederSchema, 'give a list of bleeders')
  .max(8, 'give at most 8 bleeders')
  .default([])

const chamberSchema = z.object({
  id: idSchema,
  boreMm: above0('mm', 150),
  strokeMm: above0('mm', 300),
  fedBy: idSchema.optional(),
  serves: oneOf(['clutch']).optional(),
  takeUp: z.object({ boreMm: above0('mm', 150), strokeMm: above0('mm', 300) }).optional(),
})

/** What any part may carry: where it is drawn, and the pressure a valve inside it holds back. */
const anyPart = {
  id: idSchema,
  at: z
    .object({
      xM: z.number().min(-20).max(20),
      yM: z.number().min(-20).max(20),
      zM: z.number().min(-20).max(20),
    })
    .optional(),
  residualKPa: above0('kPa', 1000).optional(),
}

const reservoir = z.object({
  ...anyPart,
  type: z.literal('reservoir'),
  maxMl: above0('mL', 20_000),
  minMl: from0('mL', 20_000),
  cap: freeText.optional(),
  capSeal: oneOf(['sound', 'aged', 'unknown']).default('unknown'),
  capAdapter: freeText.optional(),
  /** How its level is seen; left out, by marks on its wall. */
  levelSeen: oneOf(['marks', 'sight-glass', 'cup']).optional(),
  /** What must stay in it so that every port is covered. */
  portsCoveredMl: from0('mL', 20_000).optional(),
})
const masterCylinder = z.object({
  ...anyPart,
  type: z.literal('master-cylinder'),
  fedBy: idSchema,
  pedalRatio: above0('(ratio)', 50),
  actuator: oneOf(['pedal', 'lever', 'caliper']),
  bleeders,
  chambers: z
    .array(chamberSchema, 'give a list of chambers')
    .min(1, 'give at least one chamber')
    .max(4, 'give at most 4 chambers'),
  benchThread: freeText.optional(),
})
const controlUnit = z.object({
  ...anyPart,
  type: z.literal('control-unit'),
  role: oneOf(['abs', 'esc', 'brake-by-wire']),
  volumeMl: from0('mL', 5000),
  routine: oneOf(['none', 'cycle', 'wheel-by-wheel', 'maker-led']),
  /** Its routine step by step, as somebody wrote it down; left out, a ready one stands in and is marked so. */
  procedure: procedureSchema.optional(),
  bleeders,
})
const wheelBrake = z.object({
  ...anyPart,
  type: z.literal('wheel-brake'),
  position: oneOf(positions),
  brake: oneOf(['disc', 'drum']),
  pistons: z
    .array(
      z.object({
        diameterMm: above0('mm', 300),
        count: z
          .int('give a whole number of pistons')
          .min(1, 'give at least 1 piston')
          .max(32, 'give at most 32 pistons'),
        circuit: idSchema.optional(),
      }),
      'give a list of pistons',
    )
    .max(16, 'give at most 16 sizes of piston'),
  padWearMm: from0('mm', 100).default(0),
  bleeders,
  parkingBrake: oneOf(['built-in', 'electric', 'none']).optional(),
  bleederAtTop: z.boolean('give true or false').optional(),
  /** What it holds with its pistons home. */
  deadMl: from0('mL', 5000).optional(),
})
const clutchSlave = z.object({
  ...anyPart,
  type: z.literal('clutch-slave'),
  boreMm: above0('mm', 150),
  strokeMm: above0('mm', 300),
  concentric: z.boolean('give true or false').optional(),
  bleeders,
})
const strokeSimulator = z.object({
  ...anyPart,
  type: z.literal('stroke-simulator'),
  volumeMl: from0('mL', 5000),
  bleeders,
})
export const valveRoles = [
  'load-sensing',
  'metering',
  'residual',
  'proportioning',
  'deceleration',
  'pressure-difference',
] as const
const valve = z.object({
  ...anyPart,
  type: z.literal('valve'),
  role: oneOf(valveRoles),
  bleeders,
})
const junction = z.object({ ...anyPart, type: z.literal('junction') })
const pump = z.object({ ...anyPart, type: z.literal('pump'), fedBy: idSchema })

const partTypes = [
  'reservoir',
  'master-cylinder',
  'control-unit',
  'wheel-brake',
  'clutch-slave',
  'stroke-simulator',
  'valve',
  'junction',
  'pump',
]
export const partSchema = z.discriminatedUnion(
  'type',
  [reservoir, masterCylinder, controlUnit, wheelBrake, clutchSlave, strokeSimulator, valve, junction, pump],
  { error: `give a part with a type, one of: ${partTypes.join(', ')}` },
)

export const segmentSchema = z.object({
  lengthM: above0('m', 100),
  boreMm: above0('mm', 50),
  kind: oneOf(['tube', 'hose']).default('tube'),
})
/** How one end of a line is held: spanner and torque of its nut, or of the hollow bolt that holds it. */
const jointSchema = z.object({
  wrenchMm: above0('mm', 100).optional(),
  torqueNm: above0('N·m', 300).optional(),
  hollowBolt: z.boolean('give true or false').optional(),
})
const lineSchema = z.object({
  // Wider than others: one that is left out is made of where the line goes.
  id: freeText.min(1, 'give an id: a short text').optional(),
  from: idSchema,
  to: idSchema,
  circuit: idSchema,
  segments: z
    .array(segmentSchema, 'give a list of segments')
    .min(1, 'give at least one segment')
    .max(50, 'give at most 50 segments'),
  joints: z.object({ from: jointSchema.optional(), to: jointSchema.optional() }).optional(),
})

/** The vehicle file, shape alone; what its parts say about each other is checked in `read-vehicle`. */
export const vehicleSchema = z.object({
  format: z.literal('ruddy-siphon.vehicle', 'give "ruddy-siphon.vehicle"'),
  version: z.literal(1, 'give 1, the only version there is'),
  name: z
    .string('give a name')
    .trim()
    .min(1, 'give a name')
    .max(120, 'give a name of at most 120 characters'),
  kind: oneOf(vehicleKinds),
  modelYear: z
    .int('give a year')
    .min(1885, 'give a year from 1885')
    .max(2100, 'give a year up to 2100')
    .optional(),
  // "center" is how this program once wrote it; files and records that hold it stay readable.
  driverSide: oneOf(['left', 'right', 'centre', 'center'])
    .default('left')
    .transform((side) => (side === 'center' ? 'centre' : side)),
  wheelbaseMm: above0('mm', 20_000).optional(),
  trackMm: above0('mm', 5000).optional(),
  makerSettings: z
    .object({
      pressureKPa: above0('kPa', 1000).optional(),
      vacuumKPa: above0('kPa', 101).optional(),
      cleanPulls: z.int().min(1).max(20).optional(),
    })
    .optional(),
  fluid: z.object({
    spec: fluidSpecSchema,
    alsoAllowed: z.array(fluidSpecSchema).max(6).default([]),
    isoClass: freeText.optional(),
  }),
  makerOrder: z.array(idSchema, 'give a list of bleeder ids').max(100).optional(),
  /** What helps the foot; left out, a vacuum booster in a car, van or truck from 1965 on, else none. */
  booster: oneOf(['none', 'vacuum', 'hydraulic', 'electric']).optional(),
  wheels: z
    .object({
      nuts: z
        .int('give a whole number of nuts')
        .min(1, 'give at least 1')
        .max(40, 'give at most 40')
        .optional(),
      socketMm: above0('mm', 100).optional(),
      torqueNm: above0('N·m', 2000).optional(),
    })
    .optional(),
  /** Ids of parts and lines whose sizes are usual ones that nobody has measured on this vehicle. */
  assumed: z.array(idSchema, 'give a list of ids').max(1000, 'give at most 1000 ids').optional(),
  parts: z
    .array(partSchema, 'give a list of parts')
    .min(1, 'give at least one part')
    .max(200, 'give at most 200 parts'),
  lines: z.array(lineSchema, 'give a list of lines').max(400, 'give at most 400 lines'),
})

export type Vehicle = z.output<typeof vehicleSchema>
export type Part = Vehicle['parts'][number]
export type PartOf<T extends Part['type']> = Extract<Part, { type: T }>
export type Line = Vehicle['lines'][number]
export type Bleeder = z.output<typeof bleederSchema>
