import { useCallback, useEffect, useState } from 'react'
import { useFetchers, useLocation, useNavigation, useRevalidator } from 'react-router'
import type { JobSnapshot } from './job-client'

/** `live`: goes by the live state alone; `anew`: by what is fetched; `form`: begins from it, and is typed into. */
export type Follows = 'live' | 'anew' | 'form'

/**
 * A page whose contents the server makes follows what other screens record: it is fetched anew. A form on which something
 * is typed stays as it is until whoever typed it says otherwise.
 *
 * @param loadedAt how long the job's log was when this page was fetched
 * @returns whether it stands behind, and the log's length that its form begins from
 */
export function useFollow(elsewhere: JobSnapshot['elsewhere'], loadedAt: number, follows: Follows) {
  const { revalidate, state } = useRevalidator()
  const navigation = useNavigation()
  const fetchers = useFetchers()
  const sends = navigation.state !== 'idle' || fetchers.length > 0
  const { key } = useLocation()
  const [typedAt, setTypedAt] = useState<string>()
  const typed = follows === 'form' && typedAt === key
  const [begunFrom, setBegunFrom] = useState(loadedAt)
  if (!typed && begunFrom !== loadedAt) setBegunFrom(loadedAt)
  // What is heard of while this page itself sends is its own.
  const [own, setOwn] = useState(0)
  if (sends && own !== elsewhere.place) setOwn(elsewhere.place)
  const fetchAnew = follows !== 'live' && !typed && !sends && state === 'idle' && elsewhere.place > loadedAt
  useEffect(() => {
    if (fetchAnew) void revalidate()
  }, [fetchAnew, revalidate])
  return {
    behind: typed && elsewhere.place > Math.max(begunFrom, own),
    begunFrom,
    onType: useCallback(() => setTypedAt(key), [key]),
    letGo: useCallback(() => setTypedAt(undefined), []),
  }
}
