import { redirect } from 'react-router'
import { useJobHere } from '~/client/job/job-here'
import { Bay } from '~/components/bay/bay'
import { CabPhone } from '~/components/bay/cab-phone'
import { ConfirmPlate } from '~/components/bay/confirm-plate'
import { Foot } from '~/components/bay/foot'
import { useSpaceGoesOn } from '~/components/bay/goes-on'
import { PlanAgain } from '~/components/bay/plan-again'
import { today } from '~/lib/today'
import type { Station } from '~/routes/job/station'
import { cabAhead } from '~core/job/points'
import { cabCodeShown } from '~server/http/cab.server'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { learnedOf } from '~server/services/learned.server'
import { cabCodeOf } from '~server/store/cab.server'
import { containersFor, shelfSettings } from '~server/store/shelf.server'
import type { Route } from './+types/bleed'

export const handle: Station = { atVehicle: true }

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = await jobOnPage(context, params.jobId)
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
