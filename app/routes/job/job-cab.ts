import { redirect } from 'react-router'
import { orNotFound } from '~/lib/require'
import { database } from '~server/http/context.server'
import { phoneGone } from '~server/live/hub.server'
import { newCabCode, unlinkCab } from '~server/store/cab.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/job-cab'

/** Make a code that links one phone to this job's cab, or let go of the phone and the code. */
export async function action({ request, params: { jobId }, context }: Route.ActionArgs) {
  const db = context.get(database)
  const { filed } = orNotFound(await findJob(db, jobId))
  const form = await request.formData()
  if (filed || form.get('intent') === 'unlink') await unlinkCab(db, jobId)
  else await newCabCode(db, jobId)
  phoneGone(jobId)
  return redirect(`/jobs/${jobId}/bleed`)
}
