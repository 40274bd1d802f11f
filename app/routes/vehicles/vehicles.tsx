import { useRef, useState } from 'react'
import { data, Form, Link, redirect, useNavigation } from 'react-router'
import { showDate } from '~/lib/format'
import { Button, LinkButton } from '~/ui/button'
import { LoneLink } from '~/ui/lone-link'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { faultLine } from '~core/base/fault'
import { database, personHere } from '~server/http/context.server'
import { importVehicle, listVehicles } from '~server/store/vehicles.server'
import type { Route } from './+types/vehicles'

const LARGEST_FILE_BYTES = 500_000

export async function loader({ context }: Route.LoaderArgs) {
  return { vehicles: await listVehicles(context.get(database)) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  const file = form.get('file')
  const plate = String(form.get('plate') ?? '')
    .trim()
    .slice(0, 20)
  const refuse = (faults: string[]) =>
    data({ faults, plate, fileName: file instanceof File ? file.name : '' }, { status: 400 })
  if (!(file instanceof File) || file.size === 0) return refuse(['Pick a vehicle file, or drop one here.'])
  if (file.size > LARGEST_FILE_BYTES)
    return refuse(['The file is larger than 500 kB: a vehicle file is a few kB of JSON.'])
  const imported = await importVehicle(
    context.get(database),
    await file.text(),
    { plate },
    context.get(personHere)?.name,
  )
  return imported.ok ? redirect(`/vehicles/${imported.value.id}`) : refuse(imported.faults.map(faultLine))
}

export default function Vehicles({ loaderData: { vehicles }, actionData }: Route.ComponentProps) {
  return (
    <>
      <title>Vehicles · Ruddy Siphon</title>
      <div className="mb-5 flex flex-wrap items-center gap-4">
        <h1 className="text-3xl">Vehicles</h1>
        <LoneLink to="/plan-file" className="ml-auto">
          Plan from a file
        </LoneLink>
        <LinkButton to="/vehicles/new" main>
          New vehicle
        </LinkButton>
      </div>
      <div className="grid items-start gap-5 lg:grid-cols-[3fr_2fr]">
        <Panel title="Known to the shop">
          {vehicles.length === 0 && <p>None yet. Make a new one, or import a vehicle file.</p>}
          <ul className="grid gap-2 sm:grid-cols-2">
            {vehicles.map((vehicle) => (
              <li key={vehicle.id}>
                <Link
                  to={`/vehicles/${vehicle.id}`}
                  className="grid h-full gap-1 border-2 border-rule bg-enamel p-3 text-ink no-underline hover:border-oxide"
                >
                  <span className="plate justify-self-start text-lg">{vehicle.plate || 'no plate'}</span>
                  <span className="font-bold wrap-anywhere">{vehicle.name}</span>
                  <span className="text-sm text-quiet">
                    {vehicle.kind}, known since {showDate(vehicle.imported_at)}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </Panel>
        <ImportForm
          faults={actionData?.faults ?? []}
          plate={actionData?.plate ?? ''}
          fileName={actionData?.fileName ?? ''}
        />
      </div>
    </>
  )
}

function ImportForm({ faults, plate, fileName }: { faults: string[]; plate: string; fileName: string }) {
  const input = useRef<HTMLInputElement>(null)
  const [over, setOver] = useState(false)
  const busy = useNavigation().state === 'submitting'
  function dragOver(event: React.DragEvent) {
    event.preventDefault()
    setOver(true)
  }
  function drop(event: React.DragEvent) {
    event.preventDefault()
    setOver(false)
    if (input.current && event.dataTransfer.files.length > 0) input.current.files = event.dataTransfer.files
  }
  return (
    <Panel title="Import a vehicle file">
      <Form method="post" encType="multipart/form-data" className="grid gap-4">
        {/* biome-ignore lint/a11y/noStaticElementInteractions: dropping is a second way; the file picker inside is the first */}
        <div
          className={`grid gap-2 border-2 border-dashed p-4 ${over ? 'border-oxide bg-oxide-wash' : 'border-quiet'}`}
          onDragOver={dragOver}
          onDragLeave={() => setOver(false)}
          onDrop={drop}
        >
          <label htmlFor="file" className="field-label">
            Vehicle file (.json), picked or dropped here
          </label>
          <input
            ref={input}
            id="file"
            name="file"
            type="file"
            accept="application/json,.json"
            className="input"
            aria-invalid={faults.length > 0}
            aria-describedby={faults.length > 0 ? 'file-faults' : undefined}
          />
          {faults.length > 0 && (
            <Notice
              id="file-faults"
              role="alert"
              tabIndex={-1}
              ref={(element) => element?.focus()}
              kind="mind"
            >
              <p className="font-bold">
                {fileName ? `${fileName} was not taken. Mend it and pick it again:` : 'Nothing was taken.'}
              </p>
              <ul className="mt-2 grid gap-1">
                {faults.slice(0, 30).map((fault) => (
                  <li key={fault} className="fault wrap-anywhere">
                    {fault}
                  </li>
                ))}
              </ul>
              {faults.length > 30 && <p>and {faults.length - 30} more.</p>}
            </Notice>
          )}
        </div>
        <div>
          <label htmlFor="plate" className="field-label">
            Plate, as it hangs on the vehicle
          </label>
          <input
            id="plate"
            name="plate"
            className="input"
            maxLength={20}
            defaultValue={plate}
            autoComplete="off"
          />
        </div>
        <Button type="submit" main disabled={busy}>
          {busy ? 'Reading…' : 'Import'}
        </Button>
        <p className="text-sm text-quiet">
          The format is open: see docs/schema. A file that is wrong is refused whole, with what is wrong and
          where.
        </p>
      </Form>
    </Panel>
  )
}
