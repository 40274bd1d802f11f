import { redirect } from 'react-router'
import { Bay } from '~/components/bay/bay'
import { CabPhone } from '~/components/bay/cab-phone'
import { ConfirmPlate } from '~/components/bay/confirm-plate'
import { Foot } from '~/components/bay/foot'
import { PlanAgain } from '~/components/bay/plan-again'
import { useSpaceGoesOn } from '~/components/bay/space-goes-on'
import { database } from '~/context'
import { cabCodeOf } from '~/db/cab.server'
import { findJob } from '~/db/jobs.server'
import { learnedOf } from '~/db/learned.server'
import { containersFor, shelfSettings } from '~/db/shelf.server'
import { cabCodeShown } from '~/lib/cab.server'
import { orNotFound } from '~/lib/require'
import { today } from '~/lib/today'
import { useJobHere } from '~/run-client/job-here'
import { cabAhead } from '~core/job/points'
import type { Route } from './+types/bleed'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  const leftOpen = state.standing.open.length > 0
  if (!state.run && !state.parked && !leftOpen) throw redirect(`/jobs/${params.jobId}/plan`)
  const code = state.filed ? undefined : await cabCodeOf(db, params.jobId)
  return {
    cab: code && { ...(await cabCodeShown(request, code.code)), until: code.until },
    learned: await learnedOf(db, state.vehicleId, params.jobId),
    shelf: {
      containers: await containersFor(db, params.jobId),
      rule: (await shelfSettings(db)).rule,
      today: today(),
    },
  }
}

export default function BleedPage({ loaderData: { learned, shelf, cab } }: Route.ComponentProps) {
  const here = useJobHere()
  const { state, phone } = here
  const { run } = state
  useSpaceGoesOn()
  return (
    <div data-bay>
      <title>{`${state.plate}: Bleed · Ruddy Siphon`}</title>
      <h1 className="sr-only">Bleed</h1>
      {run?.plateConfirmed ? (
        <Bay here={here} run={run} learned={learned} shelf={shelf} cab={cab} phone={phone} />
      ) : (
        <div className="mx-auto grid max-w-3xl gap-4">
          {run ? <ConfirmPlate here={here} /> : <PlanAgain here={here} />}
          {run && cabAhead(run) && <CabPhone jobId={here.jobId} cab={cab} link={phone.link} />}
          <Foot here={here} />
        </div>
      )}
    </div>
  )
}
