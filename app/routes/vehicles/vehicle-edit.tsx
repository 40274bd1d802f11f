import { data, Form, redirect, useBlocker, useNavigation } from 'react-router'
import { LineMap } from '~/components/line-map/line-map'
import { ownMarks } from '~/components/line-map/own-marks'
import { orNotFound } from '~/lib/require'
import { Button, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { faultLine } from '~core/base/fault'
import { setMakerOrder } from '~core/vehicle/edit/edit'
import { makerFields, ownerFields } from '~core/vehicle/edit/fields'
import { readVehicle } from '~core/vehicle/read-vehicle'
import { tidyVin } from '~core/vehicle/vin'
import { database, personHere } from '~server/http/context.server'
import { findVehicle, savePlates, saveVehicleVersion } from '~server/store/vehicles.server'
import type { Route } from './+types/vehicle-edit'
import { AddPart } from './add-part'
import { EditCell } from './edit-cell'
import { FieldGroup, LineTable, PartTable } from './edit-tables'
import { PlatesForm } from './plates-form'
import { useEdits } from './use-edits'

const LARGEST_FILE = 500_000

export async function loader({ params, context }: Route.LoaderArgs) {
  return orNotFound(await findVehicle(context.get(database), params.vehicleId))
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  if (form.get('intent') === 'plates') {
    const text = (name: string) => String(form.get(name) ?? '').trim()
    await savePlates(context.get(database), params.vehicleId, {
      plate: text('plate').slice(0, 20),
      vin: tidyVin(text('vin')).slice(0, 40),
    })
    return data({ faults: [] })
  }
  const text = String(form.get('file') ?? '').slice(0, LARGEST_FILE)
  const by = context.get(personHere)?.name ?? ''
  const saved = await saveVehicleVersion(context.get(database), params.vehicleId, text, by)
  return saved.ok
    ? redirect(`/vehicles/${params.vehicleId}`)
    : data({ faults: saved.faults.map(faultLine) }, { status: 400 })
}

export default function EditVehicle({ loaderData, actionData }: Route.ComponentProps) {
  const { vehicle, lastGood, changed, change, undo, redo } = useEdits(loaderData.vehicle)
  const busy = useNavigation().state !== 'idle'
  const read = readVehicle(vehicle)
  const faults = read.ok ? [] : read.faults
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      changed && !busy && currentLocation.pathname !== nextLocation.pathname,
  )
  const tables = { vehicle, faults, change }
  return (
    <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[3fr_2fr]">
      <title>{`Change ${vehicle.name} · Ruddy Siphon`}</title>
      <div className="grid grid-cols-1 gap-5">
        <h1 className="text-2xl wrap-anywhere">Change {vehicle.name}</h1>
        {blocker.state === 'blocked' && (
          <div role="alert" className="hatched-edge grid gap-3 border-4 border-oxide bg-sheet p-4 pl-8">
            <p className="font-bold">What you changed is not saved.</p>
            <div className="flex flex-wrap gap-3">
              <Button main onClick={() => blocker.reset()}>
                Stay and save it
              </Button>
              <Button onClick={() => blocker.proceed()}>Leave without it</Button>
            </div>
          </div>
        )}
        <Panel title="Plate and number">
          <PlatesForm plate={loaderData.plate} vin={loaderData.vin} />
        </Panel>
        <Panel title="The vehicle">
          <FieldGroup {...tables} target={{ in: 'vehicle' }} fields={ownerFields} />
        </Panel>
        <Panel title="The maker’s word">
          <div className="grid gap-2">
            <EditCell
              field={{ path: ['makerOrder'], label: 'Maker’s order: bleeders, commas between', kind: 'text' }}
              value={vehicle.makerOrder?.join(', ') ?? ''}
              fault={faults.find(({ path }) => path.startsWith('makerOrder'))?.message}
              change={(typed) => change(setMakerOrder(vehicle, String(typed ?? '')))}
            />
            <FieldGroup {...tables} target={{ in: 'vehicle' }} fields={makerFields} />
          </div>
        </Panel>
        <Panel title="Parts and bleeders">
          <AddPart vehicle={vehicle} change={change} />
          <div className="mt-4">
            <PartTable {...tables} />
          </div>
        </Panel>
        <Panel title="Lines">
          <LineTable {...tables} />
        </Panel>
      </div>
      <aside className="grid grid-cols-1 gap-4 lg:sticky lg:top-4">
        <Form method="post" className="action-bar action-bar-narrow">
          <input type="hidden" name="file" value={JSON.stringify(vehicle, null, 2)} />
          <Button type="submit" main disabled={busy || !changed || faults.length > 0}>
            Save as version {loaderData.version + 1}
          </Button>
          <Button disabled={!undo} onClick={undo}>
            Undo
          </Button>
          <Button disabled={!redo} onClick={redo}>
            Redo
          </Button>
          <LinkButton to={`/vehicles/${loaderData.id}`}>Back</LinkButton>
        </Form>
        <div role="status">
          {[...faults.map(faultLine), ...(actionData?.faults ?? [])].map((fault) => (
            <p key={fault} className="fault">
              {fault}
            </p>
          ))}
        </div>
        <Panel aria-label="Line map">
          {!read.ok && <p className="mb-2 font-bold">As it was before what is said above:</p>}
          <LineMap vehicle={lastGood} marks={ownMarks(lastGood)} className="[&_.lm-sheet]:max-h-[52vh]" />
        </Panel>
        <p className="text-sm text-quiet">
          Jobs that have begun keep the version they began with. Whatever you give here is no longer marked as
          usual.
        </p>
      </aside>
    </div>
  )
}
