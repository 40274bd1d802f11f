import { LinkButton } from '~/ui/button'
import { Notice } from '~/ui/notice'
import type { BenchPage, PlanChange } from '~core/calculators/page'

type Props = {
  page: BenchPage
  job: { id: string; plate: string; tested: boolean; begun: boolean }
  address: URLSearchParams
  change?: PlanChange
}

/** Carry the result into the job it was started from: its plan says what it changes, and where it came from. */
export function UseInJob({ page, job, address, change = {} }: Props) {
  if (job.begun)
    return (
      <Notice className="font-bold">
        The bleed of {job.plate} has begun: its plan stands as it was taken.
      </Notice>
    )
  if (!job.tested)
    return (
      <Notice className="font-bold">
        {job.plate} has no plan yet: check in and test first. This page keeps its inputs in its address.
      </Notice>
    )
  const changes = Object.entries(change).map(([key, value]) => [key, String(value)])
  const carried = new URLSearchParams([...changes, ['bench', `${page.id}?${address}`]])
  return (
    <LinkButton to={`/jobs/${job.id}/plan?${carried}`} main className="print:hidden">
      Use in this job: {job.plate}
    </LinkButton>
  )
}
