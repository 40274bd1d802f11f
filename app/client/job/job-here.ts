import { useOutletContext } from 'react-router'
import type { JobRun } from './use-job-run'

/** The live job of the page around this station; every station of one job shares it. */
export type JobHere = JobRun & { jobId: string }

export const useJobHere = () => useOutletContext<JobHere>()
