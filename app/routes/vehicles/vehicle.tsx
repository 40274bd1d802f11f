import { Form, Link, redirect } from 'react-router'
import { LearnedPanel } from '~/components/learned-list'
import { LineMap } from '~/components/line-map/line-map'
import { ownMarks } from '~/components/line-map/own-marks'
import { stationName } from '~/components/station-names'
import { showDate } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { outcomeWords } from '~/lib/words'
import { Button, FileButton, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { database, personHere } from '~server/http/context.server'
import { learnedOf } from '~server/services/learned.server'
import { openJob } from '~server/services/open-job.server'
import { dueOfVehicle } from '~server/store/due.server'
import { jobsOfVehicle } from '~server/store/jobs.server'
import { findVehicle, lastOdometer, versionsOf } from '~server/store/vehicles.server'
import type { Route } from './+types/vehicle'
import { VehicleBleeders, VehicleFacts, VehicleRoutines } from './vehicle-facts'

export async function loader({ params, context }: Route.LoaderArgs) {
  const stored = orNotFound(await findVehicle(context.get(database), params.vehicleId))
  const db = context.get(database)
  return {
    ...stored,
    jobs: await jobsOfVehicle(db, params.vehicleId),
    versions: await versionsOf(db, params.vehicleId),
    learned: await learnedOf(db, params.vehicleId),
    odometer: await lastOdometer(db, params.vehicleId),
    due: await dueOfVehicle(db, params.vehicleId),
  }
}

export async function action({ params, context }: Route.ActionArgs) {
  const stored = orNotFound(await findVehicle(context.get(database), params.vehicleId))
  const by = context.get(personHere) ?? undefined
  const jobId = await openJob(context.get(database), stored, new Date().toISOString(), { by })
  return redirect(`/jobs/${jobId}/check-in`)
}

export default function VehiclePage({ loaderData }: Route.ComponentProps) {
  const { vehicle, plate, vin, jobs, versions, learned, odometer, due, id } = loaderData
  return (
    <>
      <title>{`${plate || vehicle.name} · Ruddy Siphon`}</title>
      <div className="mb-5 flex flex-wrap items-center gap-4">
        <span className="plate text-4xl">{plate || 'no plate'}</span>
        <h1 className="text-2xl wrap-anywhere">{vehicle.name}</h1>
        <Form method="post" className="ml-auto">
          <Button type="submit" main>
            Start a job on it
          </Button>
        </Form>
        <LinkButton to={`/vehicles/${id}/edit`}>Change it</LinkButton>
        <LinkButton to={`/vehicles/${id}/fluid`}>Fluid: readings and due</LinkButton>
        <FileButton href={`/vehicles/${id}/file.json`} download>
          Export the file
        </FileButton>
      </div>
      <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[2fr_3fr]">
        <Panel aria-label="Line map">
          <LineMap vehicle={vehicle} marks={ownMarks(vehicle)} className="[&_.lm-sheet]:max-h-[62vh]" />
        </Panel>
        <div className="grid grid-cols-1 gap-5">
          <VehicleFacts vehicle={vehicle} vin={vin} odometer={odometer} due={due} />
          <VehicleBleeders vehicle={vehicle} />
          <VehicleRoutines vehicle={vehicle} id={id} />
          <LearnedPanel learned={learned} />
          <Panel title="Versions of its file">
            <ol className="grid gap-1">
              {versions.map(({ version, saved_at, saved_by }) => (
                <li key={version}>
                  <strong>{version}</strong>, {showDate(saved_at)}
                  {saved_by && `, ${saved_by}`}
                </li>
              ))}
            </ol>
          </Panel>
          <Panel title="Jobs">
            {jobs.length === 0 && <p>None yet.</p>}
            <ul className="grid gap-1">
              {jobs.map((job) => (
                <li key={job.id}>
                  <Link to={`/jobs/${job.id}`} className="flex min-h-12 items-center">
                    {showDate(job.opened_at)}:{' '}
                    <span className="ml-2">
                      {job.outcome
                        ? `filed: ${outcomeWords[job.outcome]}`
                        : `open, at ${stationName(job.station)}`}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </Panel>
        </div>
      </div>
    </>
  )
}
