import type { RouterContextProvider } from 'react-router'
import { orNotFound } from '~/lib/require'
import type { JobState } from '~core/job/state'
import { findJob } from '~server/store/jobs.server'
import { database, jobsOnPage } from './context.server'

/**
 * The job that a page is about, asked once for its frame and its station. For loaders alone: what an action has changed is
 * read anew.
 *
 * @throws the page of what is not there
 */
export async function jobOnPage(context: Readonly<RouterContextProvider>, jobId: string): Promise<JobState> {
  const asked = context.get(jobsOnPage)
  const job = asked.get(jobId) ?? findJob(context.get(database), jobId)
  asked.set(jobId, job)
  return orNotFound(await job)
}
