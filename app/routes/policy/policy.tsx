import { useState } from 'react'
import { data, Link } from 'react-router'
import { useSay } from '~/lib/say'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { ScrollsSideways } from '~/ui/scrolls-sideways'
import { vehicleKinds } from '~core/base/vehicle-kinds'
import { hardUseFact, hardUseIds, hardUses } from '~core/fluid/policy/hard-use'
import { ruleFact, ruleIds } from '~core/fluid/policy/index'
import type { Limits } from '~core/fluid/policy/policy'
import { fluidSpecs } from '~core/fluid/specs'
import { database } from '~server/http/context.server'
import { workOutAllDue } from '~server/services/work-out-due.server'
import { devicePort, saveDevicePort } from '~server/store/device-ports.server'
import { savePolicy, shopPolicy } from '~server/store/policy.server'
import type { Route } from './+types/policy'
import { devices, PortField, readPort } from './devices'
import { LimitCells, Pick, RuleUnit } from './limit-cells'
import { ALL, type PolicyRead, ROW, readPolicyForm } from './policy-form'

export async function loader({ context }: Route.LoaderArgs) {
  const db = context.get(database)
  return {
    policy: await shopPolicy(db),
    ports: await Promise.all(devices.map(({ id }) => devicePort(db, id))),
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  const db = context.get(database)
  const ports = devices.map(({ field }) => readPort(form, field))
  const read: PolicyRead = readPolicyForm(form)
  const faults = Object.assign({}, read.ok ? {} : read.faults, ...ports.map((each) => each.faults))
  if (!read.ok || Object.keys(faults).length > 0) return data({ saved: false, faults }, { status: 400 })
  for (const [i, { id }] of devices.entries()) await saveDevicePort(db, id, ports[i]?.port)
  await savePolicy(db, read.policy)
  await workOutAllDue(db, today())
  return data({ saved: true, faults })
}

type Row = { id: string; spec?: string; kind?: string; limits: Limits }

export default function PolicyPage({ loaderData: { policy, ports }, actionData }: Route.ComponentProps) {
  const say = useSay()
  const [rows, setRows] = useState<Row[]>(() => policy.others.map((row, i) => ({ id: `row${i}`, ...row })))
  const [next, setNext] = useState(rows.length)
  const faults: Record<string, string> = actionData?.faults ?? {}
  return (
    <FormPanel className="mx-auto grid max-w-6xl grid-cols-1 gap-5">
      <title>Fluid policy · Ruddy Siphon</title>
      <h1 className="text-2xl">When the shop replaces fluid</h1>
      <p>
        The strictest rule decides. The vehicle maker’s figure comes before any of these; where the maker says
        less, set it for that fluid or kind. Empty means as for every vehicle, “off” that the rule is not
        used.
      </p>
      <ScrollsSideways label="Limits">
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
                  <Button
                    aria-label={`Take row ${i + 1} out`}
                    onClick={() => setRows(rows.filter(({ id }) => id !== row.id))}
                  >
                    ✕
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollsSideways>
      <Button
        className="justify-self-start"
        onClick={() => {
          setRows([...rows, { id: `row${next}`, limits: {} }])
          setNext(next + 1)
        }}
      >
        Other limits for a kind or a fluid
      </Button>
      <HardUses />
      <div className="grid gap-4 md:grid-cols-2">
        {devices.map((device, i) => (
          <PortField key={device.id} device={device} first={ports[i]} fault={faults[device.field]} />
        ))}
      </div>
      <ActionBar>
        <Button type="submit" main>
          Save, and work every vehicle’s day out again
        </Button>
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
      </ActionBar>
    </FormPanel>
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
