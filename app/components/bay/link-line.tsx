import { Link as RouterLink } from 'react-router'
import type { Link } from '~/client/job/use-job-run'

const words = (link: Link, kept: string): string =>
  ({
    saved: '● saved',
    sending: '◐ sending',
    offline: `○ no server: ${kept}, sent when it is back`,
    'nobody-here': `○ nobody signed in: ${kept}`,
    'not-now': `○ the server cannot save now: ${kept}, sent when it can`,
  })[link]

/** What of an act is true by now: the store has it, is about to, or does not take it. */
function whatBecomes(keeps: boolean, keeping: boolean): string {
  if (!keeps) return 'held only while this page is open'
  return keeping ? 'being kept in this browser' : 'kept in this browser'
}

type Props = { link: Link; jobId: string; keeps: boolean; keeping: boolean; waiting: number }

/** Whether the server has every act, and what becomes of them where it has not. */
export function LinkLine({ link, jobId, keeps, keeping, waiting }: Props) {
  const calm = link === 'saved' || link === 'sending'
  return (
    <span className="grid gap-1">
      <span role="status" className={calm ? '' : 'font-bold text-ink'}>
        {words(link, whatBecomes(keeps, keeping))}
        {!calm && waiting > 1 && ` (${waiting} acts)`}
        {link === 'nobody-here' && (
          <>
            {' '}
            <RouterLink to={`/who?to=${encodeURIComponent(`/jobs/${jobId}`)}`} reloadDocument>
              say who you are
            </RouterLink>
          </>
        )}
      </span>
      {link === 'offline' && keeps && (
        <span>
          Keep this page open: without the server it cannot be opened again. What is kept is not lost.
        </span>
      )}
      {!keeps && (
        <span role="alert" className="font-bold text-ink">
          This browser cannot keep events: do not close the page until the line above says saved.
        </span>
      )}
    </span>
  )
}
