import { useCallback, useEffect, useState, useSyncExternalStore } from 'react'
import { useFetchers, useLocation, useNavigation, useRevalidator } from 'react-router'
import type { JobSnapshot } from './job-client'
import { onOtherBuild, otherBuild } from './other-build'

/** `live`: goes by the live state alone; `anew`: by what is fetched; `form`: begins from it, and is typed into. */
export type Follows = 'live' | 'anew' | 'form'

/**
 * A page whose contents the server makes follows what other screens record: it is fetched anew. A form on which something
 * is typed stays as it is until whoever typed it says otherwise. What a newer program would send, a page of an older one
 * does not ask for.
 *
 * @param self who is at this screen, by name
 * @param loadedAt how long the job's log was when this page was fetched
 * @returns whether it stands behind, and the log's length that its form begins from
 */
export function useFollow(
  { place, by }: JobSnapshot['elsewhere'],
  self: string | undefined,
  loadedAt: number,
  follows: Follows,
) {
  const { revalidate, state } = useRevalidator()
  const navigation = useNavigation()
  const fetchers = useFetchers()
  const sends = navigation.state !== 'idle' || fetchers.length > 0
  const { key } = useLocation()
  const [typedAt, setTypedAt] = useState<string>()
  const typed = follows === 'form' && typedAt === key
  const [begunFrom, setBegunFrom] = useState(loadedAt)
  if (!typed && begunFrom !== loadedAt) setBegunFrom(loadedAt)
  // What its own person did while this page itself sends is its own.
  const [own, setOwn] = useState(0)
  if (sends && by !== undefined && by === self && own !== place) setOwn(place)
  const renewed = useSyncExternalStore(onOtherBuild, otherBuild, () => undefined) !== undefined
  const fetchAnew = follows !== 'live' && !renewed && !typed && !sends && state === 'idle' && place > loadedAt
  useEffect(() => {
    if (fetchAnew) void revalidate()
  }, [fetchAnew, revalidate])
  return {
    behind: typed && place > Math.max(begunFrom, own),
    begunFrom,
    onType: useCallback(() => setTypedAt(key), [key]),
    letGo: useCallback(() => setTypedAt(undefined), []),
  }
}
