import { Form } from 'react-router'
import { unitFieldOf } from '~/lib/fields'
import { USUAL_ORDER } from '~/lib/order-in-address'
import { targetIn, temperatureIn } from '~/lib/plan-request'
import { useSay } from '~/lib/say'
import { useFieldText, useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { fluidSpecs } from '~core/fluid/specs'
import type { Plan } from '~core/plan/answer'
import { orderSchoolIds } from '~core/plan/order'
import type { PlanRequest } from '~core/plan/request'
import { techniqueOf } from '~core/technique'
import { useChanges } from './changes'
import { useTakeWay, waysIn } from './take-way'

/** Change what the plan stands on, in place; the page plans anew at every change. */
export function WhatIf({ request, plan }: { request: PlanRequest; plan: Plan }) {
  const say = useSay()
  const [search, change] = useChanges()
  const take = useTakeWay()
  const show = useShow()
  const text = useFieldText()
  const { shop, vehicle, work } = request
  const unit = show.unit('temperature')
  const bleeders = plan.ways.find(({ at }) => at === 'bleeders')
  const ways = [
    ...(bleeders?.taken ? [{ technique: bleeders.taken, excluded: false }] : []),
    ...(bleeders?.notTaken ?? []),
  ].sort((a, b) => Number(a.excluded) - Number(b.excluded))
  const set = (name: string, value: string) =>
    change((now) => {
      const next = new URLSearchParams(now)
      if (value === '') next.delete(name)
      else next.set(name, value)
      if (name === 'tempC') next.set(unitFieldOf('tempC'), unit)
      return next
    })
  const unread = (name: string, read: unknown) => (search.get(name) ?? '') !== '' && read === undefined
  return (
    <Form
      method="get"
      className="grid grid-cols-2 gap-x-3 gap-y-2 border-y border-rule bg-sheet px-5 py-3 sm:grid-cols-6"
      aria-label="What if"
      onSubmit={(event) => event.preventDefault()}
    >
      {/* What was carried from the Bench, and an order set by hand, stay while something else is tried. */}
      {['bench', 'order', USUAL_ORDER].flatMap((name) =>
        search
          .getAll(name)
          .map((value) => <input key={`${name} ${value}`} type="hidden" name={name} value={value} />),
      )}
      <Field name="tempC" label={`Shop, ${unit}`} fault={unread('tempC', temperatureIn(search))}>
        <input
          className="input"
          inputMode="decimal"
          id="tempC"
          name="tempC"
          defaultValue={text('temperature', shop.tempC)}
          onChange={(event) => set('tempC', event.target.value)}
        />
      </Field>
      <Field name="way" label="Method" wide>
        <select
          className="input"
          id="way"
          name="way"
          value={waysIn(search).find((id) => techniqueOf(id).at === 'bleeders') ?? ''}
          onChange={(event) => take('bleeders', event.target.value)}
        >
          <option value="">
            Usual: {bleeders?.usual ? say({ code: `technique-${bleeders.usual}` }) : 'none fits'}
          </option>
          {ways.map(({ technique, excluded }) => (
            <option key={technique} value={technique} disabled={excluded}>
              {say({ code: `technique-${technique}` })}
              {excluded && ' (not here)'}
            </option>
          ))}
        </select>
      </Field>
      <Field name="orderSchool" label="Order of wheels" wide>
        <select
          className="input"
          id="orderSchool"
          name="orderSchool"
          value={shop.orderSchool}
          onChange={(event) => set('orderSchool', event.target.value)}
        >
          {orderSchoolIds.map((id) => (
            <option key={id} value={id}>
              {say({ code: `school-${id}` })}
            </option>
          ))}
        </select>
      </Field>
      <Field name="targetOldPct" label="At most, % old" fault={unread('targetOldPct', targetIn(search))}>
        <input
          className="input"
          inputMode="decimal"
          id="targetOldPct"
          name="targetOldPct"
          placeholder={work.reason === 'conversion' ? '1' : '5'}
          defaultValue={shop.targetOldPct}
          onChange={(event) => set('targetOldPct', event.target.value)}
        />
      </Field>
      <Field name="fluid" label="Fluid">
        <select
          className="input"
          id="fluid"
          name="fluid"
          value={plan.fluid.spec}
          onChange={(event) =>
            set('fluid', event.target.value === vehicle.fluid.spec ? '' : event.target.value)
          }
        >
          {fluidSpecs.map((spec) => (
            <option key={spec}>{spec}</option>
          ))}
        </select>
      </Field>
      <noscript>
        <Button type="submit">Plan again</Button>
      </noscript>
    </Form>
  )
}

function Field(props: {
  name: string
  label: string
  /** What holds a whole name takes half the strip. */
  wide?: boolean
  fault?: boolean
  children: React.ReactNode
}) {
  const { name, label, wide = false, fault = false, children } = props
  return (
    <div className={`min-w-0 ${wide ? 'order-first col-span-2 sm:col-span-3' : 'sm:col-span-2'}`}>
      <label htmlFor={name} className="block text-sm font-bold">
        {label}
      </label>
      {children}
      {fault && <p className="fault text-sm">No such figure: the shop’s own stands.</p>}
    </div>
  )
}
