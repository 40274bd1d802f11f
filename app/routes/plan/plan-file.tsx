import { data, redirect, useNavigation } from 'react-router'
import { LineMap } from '~/components/line-map/line-map'
import { planMarks } from '~/components/order-marks'
import { Reasons } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { Panel } from '~/ui/panel'
import { faultLine } from '~core/base/fault'
import { makePlan } from '~core/plan/plan'
import { type PlanRequest, readPlanRequest } from '~core/plan/request'
import { database, personHere } from '~server/http/context.server'
import { importVehicle } from '~server/store/vehicles.server'
import type { Route } from './+types/plan-file'
import { FigureSource } from './figure'
import { Figures } from './figures'
import { Stages } from './stages'
import { Ways } from './ways'

const LARGEST_FILE_BYTES = 500_000

/** The text of the file that came, or what is wrong with it. */
async function textOf(file: unknown): Promise<{ text: string } | { fault: string }> {
  if (!(file instanceof File) || file.size === 0) return { fault: 'Pick a plan request file.' }
  if (file.size > LARGEST_FILE_BYTES)
    return { fault: 'The file is larger than 500 kB: a plan request is a few kB.' }
  return { text: await file.text() }
}

function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  if (form.get('intent') === 'take-in') {
    const plate = String(form.get('plate') ?? '')
      .trim()
      .slice(0, 20)
    const vehicle = String(form.get('vehicle') ?? '')
    const imported = await importVehicle(
      context.get(database),
      vehicle,
      { plate },
      context.get(personHere)?.name,
    )
    return imported.ok
      ? redirect(`/vehicles/${imported.value.id}`)
      : data({ faults: imported.faults.map(faultLine), asked: undefined }, { status: 400 })
  }
  const came = await textOf(form.get('file'))
  if ('fault' in came) return data({ faults: [came.fault], asked: undefined }, { status: 400 })
  const input = jsonIn(came.text)
  if (input === undefined)
    return data({ faults: ['This is not JSON; give one JSON object.'], asked: undefined }, { status: 400 })
  const read = readPlanRequest(input)
  return read.ok
    ? { faults: [], asked: read.value }
    : data({ faults: read.faults.map(faultLine), asked: undefined }, { status: 400 })
}

/** A plan request of another shop or program: what this one would plan, without a job. */
export default function PlanFile({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting'
  const { faults = [], asked } = actionData ?? {}
  return (
    <div className="grid gap-4">
      <title>Plan from a file · Ruddy Siphon</title>
      <h1 className="text-3xl">Plan from a file</h1>
      <FormPanel encType="multipart/form-data" className="flex flex-wrap items-end gap-4">
        <div className="grow">
          <label htmlFor="file" className="field-label">
            Plan request (.json)
          </label>
          <input
            id="file"
            name="file"
            type="file"
            accept="application/json,.json"
            className="input"
            aria-invalid={faults.length > 0}
            aria-describedby={faults.length > 0 ? 'file-faults' : undefined}
          />
        </div>
        <Button type="submit" main disabled={busy}>
          Plan it
        </Button>
        {faults.length > 0 && (
          <ul id="file-faults" role="alert" className="fault w-full">
            {faults.slice(0, 20).map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
          </ul>
        )}
      </FormPanel>
      {asked && <Planned request={asked} />}
    </div>
  )
}

function Planned({ request }: { request: PlanRequest }) {
  const say = useSay()
  const plan = makePlan(request)
  return (
    <FigureSource value={{ request, plan }}>
      <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-[3fr_2fr]">
        <div className="grid gap-4">
          {plan.verdict === 'stop' ? (
            <ul className="hatched-edge grid gap-2 border-4 border-oxide bg-sheet p-5 pl-8 text-lg font-bold">
              {plan.stops.map((stop) => (
                <li key={stop.code}>Stop: {say(stop)}</li>
              ))}
            </ul>
          ) : (
            <>
              <Figures plan={plan} />
              <Stages plan={plan} />
            </>
          )}
          <Ways plan={plan} fixed />
        </div>
        <aside className="grid gap-4">
          <FormPanel className="flex flex-wrap items-end gap-3">
            <input type="hidden" name="intent" value="take-in" />
            <input type="hidden" name="vehicle" value={JSON.stringify(request.vehicle)} />
            <div className="grow">
              <label htmlFor="plate" className="field-label">
                Plate
              </label>
              <input id="plate" name="plate" className="input" maxLength={20} autoComplete="off" />
            </div>
            <Button type="submit">Take this vehicle in</Button>
          </FormPanel>
          <Panel aria-label="Line map">
            <LineMap vehicle={request.vehicle} marks={planMarks(plan)} />
          </Panel>
          <Panel title="Why">
            <Reasons reasons={plan.reasons} />
          </Panel>
        </aside>
      </div>
    </FigureSource>
  )
}
