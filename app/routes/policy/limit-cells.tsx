import { unitFieldOf } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { type RuleId, ruleFact, ruleIds, ruleOf } from '~core/fluid/policy/index'
import type { Limits } from '~core/fluid/policy/policy'
import { quantities } from '~core/units/units'
import { ALL, limitName } from './policy-form'

/** In what a limit is given, and what it rests on. */
export function RuleUnit({ id }: { id: RuleId }) {
  const show = useShow()
  const { unit, quantity, basis } = ruleOf(id)
  return (
    <span className="block text-sm font-normal text-quiet">
      {quantity ? show.unit(quantity) : unit}, {basis === 'standard' ? 'standard' : 'common practice'}
    </span>
  )
}

/** A row's limits, one a rule. */
export function LimitCells({
  row,
  of,
  limits,
  faults,
}: {
  row: string
  of: string
  limits: Limits
  faults: Record<string, string>
}) {
  const show = useShow()
  const say = useSay()
  return ruleIds.map((id) => {
    const { quantity } = ruleOf(id)
    const name = say(ruleFact(id))
    const limit = limits[id]
    const field = limitName(row, id)
    const unit = quantity && show.unit(quantity)
    const text =
      typeof limit !== 'number'
        ? limit
        : quantity === 'temperature'
          ? show.apart('temperature', limit).split(' ')[0]
          : quantity
            ? show.number(quantity, limit)
            : String(limit)
    return (
      <td key={id}>
        <input
          name={field}
          defaultValue={text ?? (row === ALL ? 'off' : '')}
          className="input min-w-20"
          aria-label={`${name}, ${of}`}
          aria-invalid={faults[field] ? true : undefined}
          aria-describedby={faults[field] ? `${field}-fault` : undefined}
        />
        {quantity && unit !== quantities[quantity].metric && (
          <input type="hidden" name={unitFieldOf(field)} value={unit} />
        )}
        {faults[field] && (
          <span id={`${field}-fault`} className="fault">
            {faults[field]}
          </span>
        )}
      </td>
    )
  })
}

type PickProps = {
  name: string
  label: string
  any: string
  values: readonly string[]
  first?: string
  fault?: string
}

/** One of several, or any. */
export function Pick({ name, label, any, values, first = '', fault }: PickProps) {
  return (
    <>
      <select
        name={name}
        defaultValue={first}
        aria-label={label}
        className="input min-w-44"
        aria-invalid={fault ? true : undefined}
      >
        <option value="">{any}</option>
        {values.map((value) => (
          <option key={value} value={value}>
            {value}
          </option>
        ))}
      </select>
      {fault && <span className="fault">{fault}</span>}
    </>
  )
}
