import { lazy, Suspense, useEffect, useState } from 'react'
import { useLocation } from 'react-router'
import { STORE_NAME } from '~/client/job/store-name'

const LeftNotice = lazy(() => import('./left-notice'))

/** Whether this browser has acts of any job. @throws where it has no store, and so nothing from before */
async function anyLeft(): Promise<boolean> {
  // Where no job's page ever kept anything there is nothing to fetch for; older browsers cannot say.
  const stores = await indexedDB.databases?.()
  if (stores && !stores.some(({ name }) => name === STORE_NAME)) return false
  const { left } = await import('~/client/job/queue')
  return (await left()).length > 0
}

/**
 * Looks on every page whether this browser has acts of jobs whose page is not open in it. Hardly ever, so what sends
 * them is fetched only then.
 */
export function LeftBehind() {
  const { pathname } = useLocation()
  const [any, setAny] = useState(false)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a page that was left may have left something
  useEffect(() => {
    // Once there was something it stays: what was sent is still to be told. Of a browser without a store a job's page says
    // that nothing is kept.
    void anyLeft().then(
      (is) => setAny((before) => before || is),
      () => undefined,
    )
  }, [pathname])
  if (!any) return null
  return (
    <Suspense fallback={null}>
      <LeftNotice />
    </Suspense>
  )
}
