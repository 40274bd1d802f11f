import { parseDecimal, withUnits } from '~/lib/fields'
import { vehicleKinds } from '~core/base/vehicle-kinds'
import { type RuleId, ruleIds, ruleOf } from '~core/fluid/policy/index'
import type { Limits, Policy } from '~core/fluid/policy/policy'
import { fluidSpecs } from '~core/fluid/specs'
import { fromMetric, quantities, readQuantity } from '~core/units/units'

export const ALL = 'all'
export const limitName = (row: string, rule: RuleId): string => `${row}.${rule}`
/** Names of the rows that are there, hidden in the form. */
export const ROW = 'row'

export type PolicyRead = { ok: true; policy: Policy } | { ok: false; faults: Record<string, string> }

/** A policy as it was typed, or what is wrong by the name of its field. */
export function readPolicyForm(form: FormData): PolicyRead {
  const typed = withUnits(form)
  const faults: Record<string, string> = {}
  const text = (name: string) => String(typed.get(name) ?? '').trim()
  const limits = (row: string): Limits =>
    Object.fromEntries(
      ruleIds.flatMap((rule) => {
        const name = limitName(row, rule)
        const limit = readLimit(rule, text(name))
        if (typeof limit === 'object') faults[name] = limit.fault
        return limit === undefined || typeof limit === 'object' ? [] : [[rule, limit]]
      }),
    )
  const others = typed
    .getAll(ROW)
    .map(String)
    .map((row): Policy['others'][number] => {
      const [spec, kind] = [
        fluidSpecs.find((each) => each === text(`${row}.spec`)),
        vehicleKinds.find((each) => each === text(`${row}.kind`)),
      ]
      if (!spec && !kind) faults[`${row}.kind`] = 'Pick a kind of vehicle, a fluid, or both.'
      return { ...(spec && { spec }), ...(kind && { kind }), limits: limits(row) }
    })
  const policy: Policy = { all: limits(ALL), others }
  if (ruleIds.every((rule) => typeof policy.all[rule] !== 'number'))
    faults[limitName(ALL, 'water')] ??=
      'Give at least one limit for every vehicle: without one nothing is ever due.'
  return Object.keys(faults).length > 0 ? { ok: false, faults } : { ok: true, policy }
}

/** A limit, "off", nothing, or what is wrong with it. */
function readLimit(rule: RuleId, typed: string): number | 'off' | undefined | { fault: string } {
  if (typed === '') return undefined
  if (/^off$/i.test(typed)) return 'off'
  const { quantity, unit, min, max } = ruleOf(rule)
  // A margin is a difference: 18 °F above the wet point are 10 °C, and no zero lies between.
  const scale = (value: number, of: string) =>
    quantity === 'temperature' ? value * (of === '°F' ? 5 / 9 : 1) : value
  const read = quantity ? readQuantity(typed, quantity, quantities[quantity].metric) : undefined
  const value = quantity
    ? read && (quantity === 'temperature' ? scale(read.value, read.unit) : read.metric)
    : parseDecimal(typed)
  if (typeof value !== 'number') return { fault: 'Give a number, “off”, or nothing.' }
  if (value >= min - 1e-9 && value <= max + 1e-9) return value
  const inUnit = (metric: number) =>
    quantity && read
      ? Number(
          (quantity === 'temperature'
            ? metric / scale(1, read.unit)
            : fromMetric(quantity, metric, read.unit)
          ).toPrecision(4),
        )
      : metric
  return { fault: `Give ${inUnit(min)} to ${inUnit(max)} ${read?.unit ?? unit}, or “off”.` }
}
