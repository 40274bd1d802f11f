import { useState } from 'react'
import { data, Form, Link } from 'react-router'
import { database } from '~/context'
import { devicePort, saveDevicePort } from '~/db/device-ports.server'
import { workOutAllDue } from '~/db/due.server'
import { savePolicy, shopPolicy } from '~/db/policy.server'
import { unitFieldOf } from '~/lib/fields'
import { ALL, limitName, type PolicyRead, ROW, readPolicyForm } from '~/lib/policy-form'
import { useSay } from '~/lib/say'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import { vehicleKinds } from '~core/base/vehicle-kinds'
import { hardUseFact, hardUseIds, hardUses } from '~core/fluid/policy/hard-use'
import { type RuleId, ruleFact, ruleIds, ruleOf } from '~core/fluid/policy/index'
import type { Limits } from '~core/fluid/policy/policy'
import { fluidSpecs } from '~core/fluid/specs'
import { quantities } from '~core/units/units'
import type { Route } from './+types/policy'

export async function loader({ context }: Route.LoaderArgs) {
  const db = context.get(database)
  return {
    policy: await shopPolicy(db),
    ports: {
      tester: await devicePort(db, 'tester'),
      scale: await devicePort(db, 'scale'),
      scanTool: await devicePort(db, 'scan-tool'),
    },
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  const db = context.get(database)
  const tester = readPort(form, 'port')
  const scale = readPort(form, 'scale')
  const scanTool = readPort(form, 'scan-tool')
  const read: PolicyRead = readPolicyForm(form)
  const faults = { ...(read.ok ? {} : read.faults), ...tester.faults, ...scale.faults, ...scanTool.faults }
  if (!read.ok || tester.faults || scale.faults || scanTool.faults)
    return data({ saved: false, faults }, { status: 400 })
  await saveDevicePort(db, 'tester', tester.port)
  await saveDevicePort(db, 'scale', scale.port)
  await saveDevicePort(db, 'scan-tool', scanTool.port)
  await savePolicy(db, read.policy)
  await workOutAllDue(db, today())
  return data({ saved: true, faults })
}

/** A port as it was typed; nothing typed is no instrument. */
function readPort(form: FormData, field: string): { port?: number; faults?: Record<string, string> } {
  const text = String(form.get(field) ?? '').trim()
  if (text === '') return {}
  const port = Number(text)
  if (/^\d+$/.test(text) && port >= 1 && port <= 65_535) return { port }
  return { faults: { [field]: 'Give a port from 1 to 65535, or nothing.' } }
}

type Row = { id: string; spec?: string; kind?: string; limits: Limits }

export default function PolicyPage({ loaderData: { policy, ports }, actionData }: Route.ComponentProps) {
  const say = useSay()
  const [rows, setRows] = useState<Row[]>(() => policy.others.map((row, i) => ({ id: `row${i}`, ...row })))
  const [next, setNext] = useState(rows.length)
  const faults: Record<string, string> = actionData?.faults ?? {}
  return (
    <Form method="post" className="panel mx-auto grid max-w-6xl gap-5">
      <title>Fluid policy · Ruddy Siphon</title>
      <h1 className="text-2xl">When the shop replaces fluid</h1>
      <p>
        The strictest rule decides. The vehicle maker’s figure comes before any of these; where the maker says
        less, set it for that fluid or kind. Empty means as for every vehicle, “off” that the rule is not
        used.
      </p>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead>
            <tr className="border-b-2 border-ink align-bottom [&>th]:py-2 [&>th]:pr-3">
              <th scope="col">For</th>
              {ruleIds.map((id) => (
                <th key={id} scope="col">
                  {say(ruleFact(id))}
                  <RuleUnit id={id} />
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr className="border-b border-rule align-top [&>*]:py-2 [&>*]:pr-3">
              <th scope="row">Every vehicle</th>
              <LimitCells row={ALL} of="every vehicle" limits={policy.all} faults={faults} />
              <td />
            </tr>
            {rows.map((row, i) => (
              <tr key={row.id} className="border-b border-rule align-top [&>*]:py-2 [&>*]:pr-3">
                <th scope="row" className="grid gap-1">
                  <input type="hidden" name={ROW} value={row.id} />
                  <Pick
                    name={`${row.id}.kind`}
                    label={`Kind, row ${i + 1}`}
                    any="any kind"
                    values={vehicleKinds}
                    first={row.kind}
                    fault={faults[`${row.id}.kind`]}
                  />
                  <Pick
                    name={`${row.id}.spec`}
                    label={`Fluid, row ${i + 1}`}
                    any="any fluid"
                    values={fluidSpecs}
                    first={row.spec}
                  />
                </th>
                <LimitCells row={row.id} of={`row ${i + 1}`} limits={row.limits} faults={faults} />
                <td>
                  <button
                    type="button"
                    className="button"
                    aria-label={`Take row ${i + 1} out`}
                    onClick={() => setRows(rows.filter(({ id }) => id !== row.id))}
                  >
                    ✕
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <button
        type="button"
        className="button justify-self-start"
        onClick={() => {
          setRows([...rows, { id: `row${next}`, limits: {} }])
          setNext(next + 1)
        }}
      >
        Other limits for a kind or a fluid
      </button>
      <HardUses />
      <div className="grid gap-4 md:grid-cols-2">
        <PortField
          name="port"
          label="Port of the fluid tester on this machine"
          first={ports.tester}
          fault={faults.port}
        >
          “Read now” at the Test asks it. The simulated one (bin/tester) speaks on 4801. Empty: none.
        </PortField>
        <PortField
          name="scale"
          label="Port of the scale on this machine"
          first={ports.scale}
          fault={faults.scale}
        >
          “Weigh the bottle” in the bay listens to it. The simulated one (bin/scale) speaks on 4803. Empty:
          none.
        </PortField>
        <PortField
          name="scan-tool"
          label="Port of the scan tool on this machine"
          first={ports.scanTool}
          fault={faults['scan-tool']}
        >
          A job’s Unit page and the unit’s routine ask it. The simulated one (bin/scan-tool) speaks on 4805.
          Empty: none, its screen is read aloud.
        </PortField>
      </div>
      <div className="flex flex-wrap items-center gap-4">
        <button type="submit" className="button button-main">
          Save, and work every vehicle’s day out again
        </button>
        {actionData?.saved && (
          <p role="status">
            Saved. <Link to="/due">The due list</Link> goes by it.
          </p>
        )}
        {Object.keys(faults).length > 0 && (
          <p role="alert" className="fault">
            Nothing was saved: mend what is marked.
          </p>
        )}
      </div>
    </Form>
  )
}

type PortProps = { name: string; label: string; first?: number; fault?: string; children: React.ReactNode }

function PortField({ name, label, first, fault, children }: PortProps) {
  return (
    <label className="grid content-start gap-1">
      <span className="field-label">{label}</span>
      <input
        name={name}
        defaultValue={first ?? ''}
        inputMode="numeric"
        className="input"
        aria-invalid={fault ? true : undefined}
      />
      <span className="text-sm text-quiet">{children}</span>
      {fault && <span className="fault">{fault}</span>}
    </label>
  )
}

function RuleUnit({ id }: { id: RuleId }) {
  const show = useShow()
  const { unit, quantity, basis } = ruleOf(id)
  return (
    <span className="block text-sm font-normal text-quiet">
      {quantity ? show.unit(quantity) : unit}, {basis === 'standard' ? 'standard' : 'common practice'}
    </span>
  )
}

function LimitCells({
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

function Pick({ name, label, any, values, first = '', fault }: PickProps) {
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

/** What hard use adds, which is said of each vehicle on its own page. */
function HardUses() {
  const show = useShow()
  const say = useSay()
  return (
    <section>
      <h2 className="font-bold">Hard use asks for more</h2>
      <ul className="list-disc pl-5">
        {hardUseIds.map((id) => {
          const { addsMarginC, lessWaterPct, mostMonths } = hardUses[id]
          return (
            <li key={id}>
              {say(hardUseFact(id))}: {lessWaterPct} % less water, {show.apart('temperature', addsMarginC)}{' '}
              more above the wet boiling point, at most {mostMonths} months
            </li>
          )
        })}
      </ul>
      <p className="text-sm text-quiet">Shop defaults, from memory. Tick it on a vehicle’s fluid page.</p>
    </section>
  )
}
