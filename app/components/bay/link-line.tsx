import { Link as RouterLink } from 'react-router'
import type { Link } from '~/run-client/use-job-run'

const words = (link: Link, kept: string): string =>
  ({
    saved: '● saved',
    sending: '◐ sending',
    offline: `○ no server: ${kept}, sent when it is back`,
    'nobody-here': `○ nobody signed in: ${kept}`,
    'not-now': `○ the server cannot save now: ${kept}, sent when it can`,
  })[link]

/** Whether the server has every act, and what becomes of them where it has not. */
export function LinkLine({ link, jobId, keeps }: { link: Link; jobId: string; keeps: boolean }) {
  const calm = link === 'saved' || link === 'sending'
  return (
    <span className="grid gap-1">
      <span role="status" className={calm ? '' : 'font-bold text-ink'}>
        {words(link, keeps ? 'kept in this browser' : 'held only while this page is open')}
        {link === 'nobody-here' && (
          <>
            {' '}
            <RouterLink to={`/who?to=${encodeURIComponent(`/jobs/${jobId}`)}`} reloadDocument>
              say who you are
            </RouterLink>
          </>
        )}
      </span>
      {!keeps && (
        <span role="alert" className="font-bold text-ink">
          This browser cannot keep events: do not close the page until the line above says saved.
        </span>
      )}
    </span>
  )
}
