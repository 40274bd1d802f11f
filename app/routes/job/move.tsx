import { data, redirect } from 'react-router'
import { z } from 'zod'
import { orNotFound } from '~/lib/require'
import { ActionBar } from '~/ui/action-bar'
import { Button, LinkButton } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { Notice } from '~/ui/notice'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordDesk } from '~server/http/record-event.server'
import { findJob } from '~server/store/jobs.server'
import { findVehicle, listVehicles } from '~server/store/vehicles.server'
import type { Route } from './+types/move'
import type { Station } from './station'

export const handle: Station = { form: true }

const moveSchema = z.object({
  to: z.string('Pick the vehicle it belongs to.'),
  why: z.string().trim().min(1, 'Say how it came about.').max(2000, 'At most 2000 characters.'),
})

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = await jobOnPage(context, params.jobId)
  if (state.filed) throw redirect(`/jobs/${params.jobId}/record`)
  return {
    plate: state.plate,
    others: (await listVehicles(db)).filter(({ id }) => id !== state.vehicleId),
    begun: state.run?.plateConfirmed === true,
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const db = context.get(database)
  const form = Object.fromEntries(await request.formData())
  const read = moveSchema.safeParse(form)
  const refuse = (fault: string) => data({ fault, why: String(form.why ?? '') }, { status: 400 })
  if (!read.success) return refuse(read.error.issues[0]?.message ?? 'Pick a vehicle.')
  const { vehicleId, plate, vehicle } = orNotFound(await findJob(db, params.jobId))
  const stored = orNotFound(await findVehicle(db, read.data.to))
  const refused = await recordDesk(context, params.jobId, {
    type: 'vehicle-moved',
    from: { vehicleId, plate, name: vehicle.name },
    vehicleId: stored.id,
    plate: stored.plate || stored.name,
    vehicle: stored.vehicle,
    why: read.data.why,
  })
  return refused === undefined ? redirect(`/jobs/${params.jobId}/check-in`) : refuse(refused)
}

/** The wrong vehicle was picked from the list: the job goes to the right one, and both keep the trace. */
export default function Move({ loaderData, actionData, params }: Route.ComponentProps) {
  const { plate, others, begun } = loaderData
  return (
    <FormPanel className="mx-auto grid w-full max-w-4xl gap-5">
      <title>{`Move ${plate} · Ruddy Siphon`}</title>
      <h1 className="text-2xl">Which vehicle does this job belong to?</h1>
      <p>
        It is checked in there anew, on that vehicle’s own lines. The record says that it was begun on {plate}
        {begun && ', and keeps what was poured and drawn so far'}.
      </p>
      {begun && (
        <Notice kind="stop" className="font-bold">
          Hands were on {plate}: whatever was opened or filled there needs a job of its own.
        </Notice>
      )}
      {actionData?.fault && (
        <p role="alert" className="fault">
          {actionData.fault}
        </p>
      )}
      <fieldset>
        <legend className="field-label">Moves to</legend>
        <div className="grid gap-2 sm:grid-cols-2">
          {others.map(({ id, plate: other, name }) => (
            <label key={id} className="choice min-h-[64px]">
              <input type="radio" name="to" value={id} required />
              <span className="plate shrink-0">{other || '—'}</span>
              <span className="wrap-anywhere">{name}</span>
            </label>
          ))}
        </div>
        {others.length === 0 && <p>No other vehicle is known: import its file first.</p>}
      </fieldset>
      <label className="grid gap-1">
        <span className="field-label">How did it come about?</span>
        <input name="why" className="input" defaultValue={actionData?.why} autoComplete="off" required />
      </label>
      <ActionBar>
        <Button type="submit" main>
          Move the job
        </Button>
        <LinkButton to={`/jobs/${params.jobId}`}>Leave it here</LinkButton>
      </ActionBar>
    </FormPanel>
  )
}
