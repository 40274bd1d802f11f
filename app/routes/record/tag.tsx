import { useStanding } from '~/components/bay/stands-line'
import { showTime } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { Button, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { database } from '~server/http/context.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/tag'

export async function loader({ params, context }: Route.LoaderArgs) {
  return { state: orNotFound(await findJob(context.get(database), params.jobId)) }
}

/** One sheet for the steering wheel. Printed large, grey, and meant to be in the way. */
export default function Tag({ loaderData: { state }, params }: Route.ComponentProps) {
  const { parked, filed, vehicle, plate, checkIn } = state
  const fit = filed?.outcome === 'fit'
  const stands = useStanding(state)
  return (
    <main className="mx-auto max-w-[48rem] p-5 print:max-w-none print:p-0">
      <title>{`Tag ${plate} · Ruddy Siphon`}</title>
      <p className="mb-4 flex gap-3 print:hidden">
        <LinkButton to={`/jobs/${params.jobId}`}>Back</LinkButton>
        {!fit && (
          <Button main onClick={() => window.print()}>
            Print
          </Button>
        )}
      </p>
      {fit ? (
        <Panel as="p" className="text-xl">
          This job is filed as fit to drive: no tag is due.
        </Panel>
      ) : (
        <article className="grid gap-6 border-8 border-ink bg-enamel p-4 sm:p-8 text-center text-ink">
          <p className="hatched border-y-4 border-ink py-4">
            <span className="bg-enamel px-4 text-4xl leading-tight sm:text-6xl font-extrabold">
              DO NOT DRIVE
            </span>
          </p>
          <p>
            <span className="plate text-4xl leading-tight sm:text-7xl">{plate}</span>
          </p>
          <p className="text-2xl wrap-anywhere">
            {vehicle.name}
            {checkIn?.bay && `, ${checkIn.bay}`}
          </p>
          <h1 className="text-3xl">The brakes are not proved</h1>
          {stands.length > 0 && (
            <ul className="grid gap-1 text-3xl font-extrabold">
              {stands.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
          )}
          {parked && (
            <p className="text-xl wrap-anywhere">
              Left by {parked.by?.name ?? 'nobody named'}, {showTime(parked.at)}: {parked.why}
              {parked.note && `. ${parked.note}`}
            </p>
          )}
          <p className="text-lg">
            Not moved, started or pressed at the pedal before the job is taken up again and everything here is
            looked at.
          </p>
        </article>
      )}
    </main>
  )
}
