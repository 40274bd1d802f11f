import { data, Form, redirect, useNavigation } from 'react-router'
import { showDate } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { today } from '~/lib/today'
import { Button, FileButton, LinkButton } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { Panel } from '~/ui/panel'
import { type Fault, faultLine } from '~core/base/fault'
import { procedureFor } from '~core/plan/procedures'
import { readProcedureFile } from '~core/procedure/file'
import type { Procedure } from '~core/procedure/schema'
import { techniqueOf } from '~core/technique'
import { placesOfBleeders, routedBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import { database, personHere } from '~server/http/context.server'
import { routinesOfKind } from '~server/store/routines.server'
import { findVehicle, saveVehicleVersion } from '~server/store/vehicles.server'
import type { Route } from './+types/routine'
import { procedureFromTyped, typedFrom, typedSchema, whatChoices } from './procedure-fields'
import { ProcedureForm } from './procedure-form'

const LARGEST_FILE = 200_000

const unitOf = (vehicle: Vehicle, id: string) =>
  partsOf(vehicle, 'control-unit').find((unit) => unit.id === id && unit.routine !== 'none')

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const stored = orNotFound(await findVehicle(db, params.vehicleId))
  const unit = orNotFound(unitOf(stored.vehicle, params.unit))
  const routine = unit.routine === 'none' ? 'cycle' : unit.routine
  return {
    plate: stored.plate,
    name: stored.vehicle.name,
    routine,
    procedure: procedureFor(stored.vehicle, unit, techniqueOf(routine)),
    bleeders: routedBleeders(stored.vehicle).map(({ bleeder }) => bleeder.id),
    ofKind: (await routinesOfKind(db, params.vehicleId, unit)).map(({ vehicleId, plate, file }) => ({
      vehicleId,
      plate,
      name: file.procedure.name,
      by: file.procedure.by,
      on: file.procedure.on,
    })),
  }
}

/** Kept with the vehicle's file as a new version: typed, or out of a file, or as it is on another vehicle of its kind. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const db = context.get(database)
  const stored = orNotFound(await findVehicle(db, params.vehicleId))
  const unit = orNotFound(unitOf(stored.vehicle, params.unit))
  const form = await request.formData()
  const by = context.get(personHere)?.name
  const bleeders = routedBleeders(stored.vehicle).map(({ bleeder }) => bleeder.id)
  const takes = { routine: unit.routine, placeOf: placesOfBleeders(stored.vehicle) }
  const refused = (faults: Fault[]) => data({ faults }, { status: 400 })
  let procedure: Procedure | undefined
  switch (form.get('intent')) {
    case 'typed': {
      const typed = typedSchema.safeParse(jsonOf(String(form.get('typed') ?? '').slice(0, LARGEST_FILE)))
      if (!typed.success) throw data({ sentence: 'This is not what the form sends.' }, { status: 400 })
      const read = procedureFromTyped(typed.data, { routine: unit.routine, bleeders, by, on: today() })
      if (!read.ok) return refused(read.faults)
      procedure = read.value
      break
    }
    case 'file': {
      const file = form.get('file')
      const text = file instanceof File ? (await file.text()).slice(0, LARGEST_FILE) : ''
      const json = jsonOf(text)
      const read = json === undefined ? undefined : readProcedureFile(json, takes)
      if (!read)
        return refused([{ path: '', message: 'this is no JSON; give a file that a routine page exported' }])
      if (!read.ok) return refused(read.faults)
      procedure = read.value
      break
    }
    case 'copy': {
      const from = form.get('from')
      const others = await routinesOfKind(db, params.vehicleId, unit)
      const read = readProcedureFile(
        orNotFound(others.find(({ vehicleId }) => vehicleId === from)).file,
        takes,
      )
      if (!read.ok) return refused(read.faults)
      procedure = read.value
      break
    }
    case 'ready':
      // The ready example stands in again.
      break
    default:
      throw data({ sentence: 'This is not what the form sends.' }, { status: 400 })
  }
  const parts = stored.vehicle.parts.map((part) =>
    part.id === unit.id && part.type === 'control-unit' ? { ...part, procedure } : part,
  )
  const file = JSON.stringify({ ...stored.vehicle, parts }, undefined, 2)
  const saved = await saveVehicleVersion(db, params.vehicleId, file, by ?? '')
  return saved.ok
    ? redirect(`/vehicles/${params.vehicleId}/routine/${encodeURIComponent(unit.id)}`)
    : refused(saved.faults)
}

const routineNames = {
  cycle: 'in cycles',
  'wheel-by-wheel': 'wheel by wheel',
  'maker-led': 'led by its maker',
} as const

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** The routine of one unit, step by step: as the maker's text or the tool's screen has it. */
export default function RoutinePage({ loaderData, actionData, params }: Route.ComponentProps) {
  const { plate, name, routine, procedure, bleeders, ofKind } = loaderData
  const busy = useNavigation().state !== 'idle'
  const choices = whatChoices(bleeders, routine)
  const faults = actionData?.faults ?? []
  const here = `/vehicles/${params.vehicleId}/routine/${encodeURIComponent(params.unit)}`
  return (
    <div className="grid gap-5">
      <title>{`${plate || name}: routine of its unit · Ruddy Siphon`}</title>
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-2xl wrap-anywhere">
          {plate || name}: routine of its unit, {routineNames[routine]}
        </h1>
        <LinkButton to={`/vehicles/${params.vehicleId}`} className="ml-auto">
          To the vehicle
        </LinkButton>
        <FileButton href={`${here}.json`} download>
          Export it
        </FileButton>
      </div>
      <p
        className={
          procedure.example ? 'hatched-edge border-4 border-oxide p-3 pl-7' : 'border-l-8 border-ink pl-3'
        }
      >
        <span className={procedure.example ? 'bg-sheet px-1 font-bold' : ''}>
          {procedure.example
            ? 'A ready example of this kind of routine. The maker’s text replaces it: type it once from the tool’s screen.'
            : `Written down${procedure.by ? ` by ${procedure.by}` : ''}${procedure.on ? `, ${showDate(procedure.on)}` : ''}. The maker’s own text stays above it.`}
        </span>
      </p>
      {faults.some(({ path }) => !path.startsWith('steps.') && path !== 'name') && (
        <ul role="alert" className="fault">
          {faults.map((fault) => (
            <li key={fault.path}>{faultLine(fault)}</li>
          ))}
        </ul>
      )}
      {ofKind.length > 0 && (
        <Panel title="Written down for others of its kind" className="grid content-start gap-3">
          {ofKind.map((each) => (
            <Form key={each.vehicleId} method="post" className="flex flex-wrap items-center gap-3">
              <input type="hidden" name="from" value={each.vehicleId} />
              <span className="wrap-anywhere">
                {each.name}
                {each.by && `, by ${each.by}`}
                {each.on && `, ${showDate(each.on)}`}
              </span>
              <Button type="submit" name="intent" value="copy" disabled={busy}>
                Take it over from {each.plate || each.vehicleId}
              </Button>
            </Form>
          ))}
        </Panel>
      )}
      <ProcedureForm
        key={JSON.stringify(procedure)}
        first={typedFrom(procedure, choices)}
        choices={choices}
        faults={faults}
        busy={busy}
      />
      <div className="grid gap-5 md:grid-cols-2">
        <Panel title="From a file" className="grid content-start gap-3">
          <Form method="post" encType="multipart/form-data" className="grid gap-3">
            <label className="grid gap-1">
              <span className="field-label">A routine that was exported</span>
              <input type="file" name="file" accept="application/json,.json" className="input" required />
            </label>
            <Button type="submit" name="intent" value="file" disabled={busy}>
              Take it over
            </Button>
          </Form>
        </Panel>
        {!procedure.example && (
          <FormPanel className="grid content-start gap-3">
            <h2>Back to the ready example</h2>
            <p>What was written down stays in the versions of the vehicle’s file.</p>
            <Button type="submit" name="intent" value="ready" disabled={busy}>
              Use the ready example
            </Button>
          </FormPanel>
        )}
      </div>
    </div>
  )
}
