import { useFreshPage } from '~/client/job/use-fresh-page'
import type { JobRun } from '~/client/job/use-job-run'
import { Notice } from '~/ui/notice'

/** Said while a page of the old program is still open: what is done on it counts, and is kept. */
export function RenewedNotice({ run }: { run: JobRun }) {
  if (!useFreshPage(run)) return null
  return (
    <Notice role="status" kind="mind" className="mt-3">
      The program was renewed. Go on: what you do is kept and counts. This page loads anew by itself as soon
      as nothing is under way.
    </Notice>
  )
}
