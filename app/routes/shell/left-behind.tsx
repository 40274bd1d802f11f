import { lazy, Suspense, useEffect, useState } from 'react'
import { useLocation } from 'react-router'

const LeftNotice = lazy(() => import('./left-notice'))

/**
 * Looks on every page whether this browser has acts of jobs whose page is not open in it. Hardly ever, so what sends
 * them is fetched only then.
 */
export function LeftBehind() {
  const { pathname } = useLocation()
  const [any, setAny] = useState(false)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a page that was left may have left something
  useEffect(() => {
    // A browser without a store has nothing left from before; a job's page says that nothing is kept.
    void import('~/client/job/queue')
      .then(({ left }) => left())
      .then(
        (jobs) => setAny(jobs.length > 0),
        () => setAny(false),
      )
  }, [pathname])
  if (!any) return null
  return (
    <Suspense fallback={null}>
      <LeftNotice pathname={pathname} />
    </Suspense>
  )
}
