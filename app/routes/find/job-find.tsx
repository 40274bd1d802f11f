import { useEffect, useState } from 'react'
import { data, useFetcher, useRevalidator } from 'react-router'
import { fromAddress } from '~/lib/fault-address'
import { type FaultFinding, keptFindingSchema } from '~core/job/events/fault-looked'
import { faultCase, goesOn } from '~core/job/fault-case'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordSent } from '~server/http/record-event.server'
import { ownCases } from '~server/store/fault-cases.server'
import { findJob } from '~server/store/jobs.server'
import { shopPrices } from '~server/store/settings.server'
import type { Route } from './+types/job-find'
import { FaultFinder } from './fault-finder'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const job = await jobOnPage(context, params.jobId)
  const earlier = job.comebackOf === undefined ? undefined : await findJob(db, job.comebackOf)
  // Whoever comes from a failed proof or a finding brings what it was: it is recorded with the first answer.
  const address = new URL(request.url).searchParams
  const begun = fromAddress(address)
  const answers = job.faultFinding?.answers ?? 0
  // It adds to a search that stands only as long as nobody has answered since.
  const adds = begun?.complaint !== job.faultFinding?.complaint || address.get('seen') === String(answers)
  const finding = begun && adds ? goesOn(job.faultFinding, begun) : job.faultFinding
  return {
    of: finding && {
      ...faultCase(job, finding, earlier),
      own: await ownCases(db, finding.complaint),
      costs: await shopPrices(db),
    },
    was: finding?.was,
    answers,
    declined: job.declinedLines ?? [],
    vehicle: job.vehicle,
    plate: job.plate,
    locked: job.filed !== undefined,
    plannable: job.run?.plateConfirmed !== true && job.filed === undefined,
  }
}

export async function action(args: Route.ActionArgs) {
  const { body, status } = await recordSent(args, keptFindingSchema, (read) => ({
    type: 'fault-looked' as const,
    ...read,
  }))
  return data(body, { status })
}

/** The search for what is wrong with the vehicle of a job: every answer is recorded with it. */
export default function JobFindPage({ loaderData, params }: Route.ComponentProps) {
  const { of, was, answers, declined, vehicle, plate, locked, plannable } = loaderData
  const fetcher = useFetcher<typeof action>()
  const { revalidate } = useRevalidator()
  const refusal = fetcher.data?.refusal
  // What was refused was given on a page that somebody else had gone past.
  useEffect(() => {
    if (fetcher.data?.refusal !== undefined) revalidate()
  }, [fetcher.data, revalidate])
  const [anew, setAnew] = useState(false)
  const send = (next: FaultFinding) => {
    setAnew(false)
    fetcher.submit({ ...next, answers }, { method: 'post', encType: 'application/json' })
  }
  return (
    <>
      <title>{`${plate}: Fault finder · Ruddy Siphon`}</title>
      <FaultFinder
        of={anew ? undefined : of}
        was={was}
        fault={refusal}
        vehicle={vehicle}
        locked={locked || fetcher.state !== 'idle'}
        jobId={params.jobId}
        plannable={plannable}
        declined={declined}
        onFinding={send}
        onAnew={() => setAnew(true)}
      />
    </>
  )
}
