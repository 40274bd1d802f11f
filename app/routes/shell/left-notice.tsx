import { useEffect, useMemo, useSyncExternalStore } from 'react'
import { Link, useLocation, useRevalidator } from 'react-router'
import { type LeftBehind, LeftSender } from '~/client/job/left-sender'
import { left, pendingOf } from '~/client/job/queue'
import { wireOf } from '~/client/job/send'
import { isTended } from '~/client/job/tended'
import { AsideNotice } from '~/components/aside-notice'
import { counted } from '~/lib/format'
import { useSay } from '~/lib/say'
import { LoneLink } from '~/ui/lone-link'
import { Notice } from '~/ui/notice'

const newSender = () =>
  new LeftSender({
    left,
    storeOf: ({ jobId, plate }) => pendingOf(jobId, plate),
    wireOf,
    tended: isTended,
  })

/** What became of acts that were done on this screen in jobs whose page was left before the server had them. */
export default function LeftNotice() {
  const { pathname } = useLocation()
  const sender = useMemo(newSender, [])
  const { jobs, link, why } = useSyncExternalStore(sender.subscribe, sender.snapshot, sender.snapshot)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the page that was left may have been a job's
  useEffect(() => {
    void sender.begin()
    return () => sender.end()
  }, [sender, pathname])
  const sent = jobs.reduce((sum, job) => sum + job.sent, 0)
  const { revalidate } = useRevalidator()
  // What the page shows was fetched before.
  useEffect(() => {
    if (sent > 0) void revalidate()
  }, [sent, revalidate])
  return (
    <div className="mb-4 grid gap-3 empty:hidden">
      {jobs.map((job) => (
        <OfJob key={job.jobId} job={job} link={link} why={why} />
      ))}
    </div>
  )
}

function OfJob({ job, link, why }: { job: LeftBehind['jobs'][number] } & Pick<LeftBehind, 'link' | 'why'>) {
  const { jobId, plate, waiting, sent, aside } = job
  const hindered = waiting > 0 && link !== 'sending'
  return (
    <>
      {(hindered || sent > 0) && (
        <Notice
          role="status"
          kind={hindered ? 'mind' : 'said'}
          className="flex flex-wrap items-center gap-x-4"
        >
          {plate !== undefined && <span className="plate">{plate}</span>}
          <span className="flex-1 basis-72">
            {hindered
              ? `${counted(waiting, 'act')} done on this screen ${waiting === 1 ? 'is' : 'are'} kept in this browser and not with the server yet: `
              : `✓ ${counted(sent, 'act')} done on this screen ${sent === 1 ? 'is' : 'are'} with the server now.`}
            {hindered && <Hindered link={link} why={why} />}
          </span>
          <LoneLink to={`/jobs/${jobId}`}>Open the job</LoneLink>
        </Notice>
      )}
      <AsideNotice jobId={jobId} count={aside} plate={plate ?? 'Another job'} />
    </>
  )
}

function Hindered({ link, why }: Pick<LeftBehind, 'link' | 'why'>) {
  const say = useSay()
  const { pathname } = useLocation()
  if (link === 'nobody-here')
    return (
      <>
        nobody is signed in.{' '}
        <Link to={`/who?to=${encodeURIComponent(pathname)}`} reloadDocument>
          Say who you are
        </Link>
      </>
    )
  if (link === 'offline') return 'there is no server; sent from any page once it is back.'
  return why ? `${say(why)} It is tried again.` : 'it is tried again.'
}
