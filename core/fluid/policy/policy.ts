import { z } from 'zod'
import { type VehicleKind, vehicleKinds } from '../../base/vehicle-kinds'
import type { FluidSpec } from '../specs'
import { fluidSpecSchema } from '../specs'
import { type HardUseId, hardest } from './hard-use'
import { type RuleId, ruleIds, ruleOf } from './index'

/** A limit, or that the rule is not used. What is left out is as in a row that says less. */
const limitSchema = (id: RuleId) => {
  const { min, max } = ruleOf(id)
  return z.union([z.number().min(min).max(max), z.literal('off')]).optional()
}
const limitsSchema = z.object({
  boiling: limitSchema('boiling'),
  water: limitSchema('water'),
  copper: limitSchema('copper'),
  time: limitSchema('time'),
  distance: limitSchema('distance'),
} satisfies Record<RuleId, z.ZodType>)
export type Limits = z.output<typeof limitsSchema>

/** The shop's limits, and other ones for a fluid, a kind of vehicle, or a fluid in a kind of vehicle. */
export const policySchema = z.object({
  all: limitsSchema,
  others: z
    .array(
      z.object({
        spec: fluidSpecSchema.optional(),
        kind: z.enum(vehicleKinds).optional(),
        limits: limitsSchema,
      }),
    )
    .max(40),
})
export type Policy = z.output<typeof policySchema>

/** What a shop begins with. @source common practice: 3 % water, the wet boiling point, 200 ppm, 24 months, motorcycles 12, 48 000 km */
export const usualPolicy: Policy = {
  all: Object.fromEntries(ruleIds.map((id) => [id, ruleOf(id).usual])) as Limits,
  others: [{ kind: 'motorcycle', limits: { time: 12 } }],
}

/** The limits in use for one vehicle; a rule that is not used is left out. */
export const limitsInUseSchema = z.partialRecord(z.enum(ruleIds), z.number().min(0).max(1e7))
export type LimitsInUse = Partial<Record<RuleId, number>>

/**
 * What a shop's policy asks of one vehicle: of two rows that both fit, the one that says more wins, and hard use
 * asks for more on top.
 */
export function limitsFor(
  policy: Policy,
  { spec, kind, hardUse }: { spec: FluidSpec; kind: VehicleKind; hardUse: readonly HardUseId[] },
): LimitsInUse {
  const fitting = policy.others.filter((row) => (row.spec ?? spec) === spec && (row.kind ?? kind) === kind)
  const saysMore = (row: (typeof fitting)[number]) =>
    Number(row.spec !== undefined) + Number(row.kind !== undefined)
  const rows = [policy.all, ...fitting.sort((a, b) => saysMore(a) - saysMore(b)).map(({ limits }) => limits)]
  const use = hardest(hardUse)
  return Object.fromEntries(
    ruleIds.flatMap((id) => {
      const limit = rows.reduce<number | 'off' | undefined>((before, row) => row[id] ?? before, undefined)
      return typeof limit === 'number' ? [[id, ruleOf(id).harder(limit, use)]] : []
    }),
  )
}

/** Limits of what is measured, as a request states them; left out, those of common practice. */
export type MeasuredLimits = { waterPct?: number; marginC?: number; copperPpm?: number }
export const measuredLimits = ({
  waterPct = ruleOf('water').usual,
  marginC = ruleOf('boiling').usual,
  copperPpm = ruleOf('copper').usual,
}: MeasuredLimits = {}): LimitsInUse => ({ boiling: marginC, water: waterPct, copper: copperPpm })
