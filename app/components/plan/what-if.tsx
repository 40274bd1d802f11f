import { Form, useSearchParams, useSubmit } from 'react-router'
import { unitFieldOf } from '~/lib/fields'
import { USUAL_ORDER } from '~/lib/order-in-address'
import { useFieldText, useShow } from '~/lib/units'
import { methodName } from '~core/method'
import { orderSchoolIds, orderSchools } from '~core/order'
import type { Shop } from '~core/plan/request'

/** Change what the plan stands on, and see what moves. */
export function WhatIf({ shop }: { shop: Shop }) {
  const submit = useSubmit()
  const [search] = useSearchParams()
  const chosen = search.get('method') ?? ''
  const show = useShow()
  const text = useFieldText()
  return (
    <Form
      method="get"
      className="panel grid gap-3"
      onChange={(event) => submit(event.currentTarget, { replace: true, preventScrollReset: true })}
    >
      <h2>What if</h2>
      {show.unit('temperature') !== '°C' && (
        <input type="hidden" name={unitFieldOf('tempC')} value={show.unit('temperature')} />
      )}
      {/* What was carried from the Bench, and an order set by hand, stay while something else is tried. */}
      {['bench', 'order', USUAL_ORDER].flatMap((name) =>
        search
          .getAll(name)
          .map((value) => <input key={`${name} ${value}`} type="hidden" name={name} value={value} />),
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <div className="grid gap-1">
          <label htmlFor="tempC" className="font-bold">
            Shop temperature, {show.unit('temperature')}
          </label>
          <input
            className="input"
            inputMode="decimal"
            id="tempC"
            name="tempC"
            defaultValue={text('temperature', shop.tempC)}
          />
        </div>
        <div className="grid gap-1">
          <label htmlFor="orderSchool" className="font-bold">
            Order of wheels
          </label>
          <select className="input" id="orderSchool" name="orderSchool" defaultValue={shop.orderSchool}>
            {orderSchoolIds.map((id) => (
              <option key={id} value={id}>
                {orderSchools[id].name}
              </option>
            ))}
          </select>
        </div>
        <div className="grid gap-1 sm:col-span-2">
          <label htmlFor="targetOldPct" className="font-bold">
            Last drops at most, % old
          </label>
          <input
            className="input"
            inputMode="decimal"
            id="targetOldPct"
            name="targetOldPct"
            placeholder="5, or 1 for a conversion"
            defaultValue={shop.targetOldPct}
          />
        </div>
        <div className="grid gap-1 sm:col-span-2">
          <label htmlFor="method" className="font-bold">
            Method
          </label>
          <select className="input" id="method" name="method" defaultValue={chosen}>
            <option value="">the best the shop can do</option>
            {['two-person', 'solo', 'gravity', 'pressure', 'vacuum', 'pressure-vacuum', 'reverse'].map(
              (id) => (
                <option key={id} value={id}>
                  {methodName(id)}
                </option>
              ),
            )}
          </select>
        </div>
      </div>
      <noscript>
        <button type="submit" className="button">
          Plan again
        </button>
      </noscript>
    </Form>
  )
}
