import { Link as RouterLink } from 'react-router'
import type { Link } from '~/run-client/use-job-run'

const words: Record<Link, string> = {
  saved: '● saved',
  sending: '◐ sending',
  offline: '○ no server: kept in this browser, sent when it is back',
  'nobody-here': '○ nobody signed in: kept in this browser',
  'not-now': '○ the server cannot save now: kept in this browser, sent when it can',
}

/** Whether the server has every act, and what becomes of them where it has not. */
export function LinkLine({ link, jobId }: { link: Link; jobId: string }) {
  return (
    <span role="status" className={link === 'saved' || link === 'sending' ? '' : 'font-bold text-ink'}>
      {words[link]}
      {link === 'nobody-here' && (
        <>
          {' '}
          <RouterLink to={`/who?to=${encodeURIComponent(`/jobs/${jobId}`)}`} reloadDocument>
            say who you are
          </RouterLink>
        </>
      )}
    </span>
  )
}
