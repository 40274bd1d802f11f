import { useCallback, useEffect, useState } from 'react'
import { useFetchers, useLocation, useNavigation, useRevalidator } from 'react-router'
import type { JobSnapshot } from './job-client'

/**
 * A page whose contents the server makes follows what other screens record: it is fetched anew as long as nothing is
 * typed on it. Where something is, it stays as it is until whoever typed it says otherwise.
 *
 * @param loadedAt how long the job's log was when this page was fetched
 * @returns whether it stands behind, and the log's length that its forms begin from
 */
export function useFollow(elsewhere: JobSnapshot['elsewhere'], loadedAt: number, follows: boolean) {
  const { revalidate, state } = useRevalidator()
  const navigation = useNavigation()
  const fetchers = useFetchers()
  const sends = navigation.state !== 'idle' || fetchers.length > 0
  const { key } = useLocation()
  const [typedAt, setTypedAt] = useState<string>()
  const typed = typedAt === key
  const [begunFrom, setBegunFrom] = useState(loadedAt)
  if (!typed && begunFrom !== loadedAt) setBegunFrom(loadedAt)
  const fetchAnew = follows && !typed && !sends && state === 'idle' && elsewhere.place > loadedAt
  useEffect(() => {
    if (fetchAnew) void revalidate()
  }, [fetchAnew, revalidate])
  return {
    behind: follows && typed && !sends && elsewhere.place > begunFrom,
    begunFrom,
    onType: useCallback(() => setTypedAt(key), [key]),
    letGo: useCallback(() => setTypedAt(undefined), []),
  }
}
