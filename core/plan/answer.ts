import { z } from 'zod'
import { bases } from '../base/decision'
import { factFilling, factSchema, factWith, reasonSchema } from '../base/fact-schema'
import { fluidSpecSchema } from '../fluid/specs'
import { techniqueOf } from '../technique'
import { stepSchema } from '../technique/step'
import { methodIds, techniqueIdSchema } from '../technique/technique'
import { orderSchoolIds } from './order'
import { stageKinds } from './stage-kinds'

export { type StageKind, stageKinds } from './stage-kinds'

const amountsMl = z.record(z.string(), z.number())
const id = z.string().max(200)

/** One stage of the work, in order. */
export const stageSchema = z.object({
  kind: z.enum(stageKinds),
  method: z.enum(methodIds).optional(),
  /** Which way of doing that method. */
  technique: techniqueIdSchema.optional(),
  /** Bleeder ids in the order they are opened; empty where none is. */
  order: z.array(id),
  /** Every place it is worked at, in order: ports and cylinders too. */
  points: z.array(id),
  minutes: z.number(),
  fluidMinutes: z.number(),
  handlingMinutes: z.number(),
  /** New fluid this stage takes. */
  ml: z.number(),
  /** What of it each bleeder takes; absent where no bleeder is opened. */
  mlByBleeder: amountsMl.optional(),
  /** Codes of the plan's reasons that ask for this stage. */
  reasons: z.array(z.string()),
  /** What is done before the first bleeder (or instead of one), and after the last. */
  before: z.array(stepSchema),
  after: z.array(stepSchema),
})
export type Stage = z.output<typeof stageSchema>

/** A caution and the stage at which it is shown; without one it holds throughout. */
const cautionSchema = factWith({ at: z.enum(stageKinds).optional() })
export type Caution = z.output<typeof cautionSchema>

/** How the bleeders are ordered: by hand or not, and what each school would have done. */
const planOrderSchema = z.object({
  bleeders: z.array(id),
  schools: z.array(
    z.object({
      /** `makers` is the maker's own, where the vehicle states one. */
      id: z.enum([...orderSchoolIds, 'makers']),
      /** In plans of the first version. */
      name: z.string().optional(),
      order: z.array(id),
      /** Where it first differs from the order taken; absent where it is the same. */
      differs: z
        .object({
          ...factFilling,
          code: z.string().max(120).default(''),
          place: z.number(),
          taken: id,
          instead: id,
        })
        .optional(),
    }),
  ),
  /** Set by hand, with the reason, what was warned of, and what the order would have been. */
  stated: z.object({ why: z.string(), warnings: z.array(factSchema), usual: z.array(id) }).optional(),
})
export type PlanOrder = z.output<typeof planOrderSchema>

const notTakenSchema = factWith({
  technique: techniqueIdSchema,
  method: z.enum(methodIds),
  basis: z.enum(bases),
  excluded: z.boolean(),
})

/** How one place of work is done: what is taken, what the program would have taken, and why each other way was not. */
const waysSchema = z.object({
  at: z.enum(['bleeders', 'cylinder', 'unit']),
  taken: techniqueIdSchema.optional(),
  usual: techniqueIdSchema.optional(),
  /** Why another than the usual one was taken, in the words of whoever did. */
  why: z.string().optional(),
  notTaken: z.array(notTakenSchema),
})
export type Ways = z.output<typeof waysSchema>

const range = z.tuple([z.number(), z.number()]).readonly()
const containers = z.array(z.object({ ml: z.number(), count: z.number() }))

/** What holds for the stages as they are: settings with their limits, cautions, reasons, and the ways not taken. */
const setupShape = {
  pressureKPa: z.number().optional(),
  vacuumKPa: z.number().optional(),
  /** Least and most that those may be set to here. */
  limits: z.object({ pressureKPa: range.optional(), vacuumKPa: range.optional() }),
  cautions: z.array(cautionSchema),
  reasons: z.array(reasonSchema),
  ways: z.array(waysSchema).default([]),
  methodsRejected: z.array(factWith({ method: z.enum(methodIds) })),
}
export const setupSchema = z.object(setupShape)
export type Setup = z.output<typeof setupSchema>

/** The plan: what, how much, in which order, by which method, and why. */
export const planSchema = z.object({
  verdict: z.enum(['go', 'stop']),
  stops: z.array(factSchema),
  fluid: z.object({
    spec: fluidSpecSchema,
    totalMl: z.number(),
    /** What has to leave each bleeder so that its last drops are at the target or below. */
    perBleederMl: amountsMl,
    /** All that is poured into the reservoirs until they stand at MAX, rinses included. */
    reservoirMl: z.number(),
    /** Each reservoir drawn down to this, rinsed with that; absent where it is not. Older plans have none of these. */
    drawToMl: amountsMl.default({}),
    rinseMl: amountsMl.default({}),
    /** What stands before each bleeder and counts for it, and what a clean feed alone would ask for. */
    passageMl: amountsMl.default({}),
    cleanFeedMl: amountsMl.default({}),
    /** Left in the machine's tank and hose at the end; absent where no machine feeds. */
    keptMl: z.number().optional(),
    /** At most so much of the last drops is old, per cent; absent where no old share is promised. */
    targetOldPct: z.number().optional(),
    buy: containers,
    /** Sealed containers on the shelf that are opened, before any is bought. */
    onHand: containers,
    /** Left over once the plan's amount is used. */
    leftMl: z.number(),
  }),
  stages: z.array(stageSchema),
  /** Absent where nothing is bled, and in plans made before orders were compared. */
  order: planOrderSchema.optional(),
  topUpEvery: z.object({ reservoir: z.string(), strokes: z.number(), ml: z.number() }),
  /**
   * Old share of the last drops at each bleeder once its amount is through, the reservoir's own state carried along; per
   * cent. Of a whole exchange alone: where one corner is bled none is promised.
   */
  expectedOldPct: z.record(z.string(), z.number()),
  ...setupShape,
})
export type Plan = z.output<typeof planSchema>

/** What of a plan holds for its stages, beside the stages themselves. */
export const setupOf = ({
  pressureKPa,
  vacuumKPa,
  limits,
  cautions,
  reasons,
  ways,
  methodsRejected,
}: Plan): Setup => ({ pressureKPa, vacuumKPa, limits, cautions, reasons, ways, methodsRejected })

/** What is set for the bleed itself: a machine that only looks at fresh joints drives none. */
export function bleedSettings({
  stages,
  pressureKPa,
  vacuumKPa,
}: Pick<Plan, 'stages' | 'pressureKPa' | 'vacuumKPa'>): { pressureKPa?: number; vacuumKPa?: number } {
  const byMachine = stages.some(
    ({ kind, technique }) =>
      kind === 'bleed' && technique !== undefined && techniqueOf(technique).drives === 'machine',
  )
  return { ...(byMachine && { pressureKPa }), vacuumKPa }
}

/** Fluid's and hands' minutes over every stage. */
export const planMinutes = ({ stages }: Pick<Plan, 'stages'>): number =>
  stages.reduce((sum, stage) => sum + stage.minutes, 0)

/** What is opened for a plan: of the shelf first, then what is bought. */
export const opened = ({ fluid }: Pick<Plan, 'fluid'>) => [...fluid.onHand, ...fluid.buy]
