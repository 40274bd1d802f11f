import { createContext, useContext, useEffect, useRef, useState } from 'react'
import { useLocation } from 'react-router'

/** As long as somebody goes on changing, the address waits. */
const ADDRESS_MS = 300

type SetChanges = (change: (now: URLSearchParams) => URLSearchParams) => void
export type ChangesHere = readonly [URLSearchParams, SetChanges]

const Changes = createContext<ChangesHere>([new URLSearchParams(), () => {}])
export const ChangesProvider = Changes.Provider

/** What was changed on this plan page, and how to change it further. */
export const useChanges = (): ChangesHere => useContext(Changes)

/**
 * What is changed on the plan page: kept by the page, so that the plan moves in the same breath, and written into the
 * address shortly after, so that a reload, a link and the way back find it again.
 *
 * Written past the router: a navigation of its own would break off the taking of the plan, if that had just begun.
 */
export function useOwnChanges(): ChangesHere {
  const { pathname, search } = useLocation()
  const [changes, setChanges] = useState(() => new URLSearchParams(search))
  const known = useRef(search)
  useEffect(() => {
    // Come here by another address, not by a change of this page.
    if (search === known.current) return
    known.current = search
    setChanges(new URLSearchParams(search))
  }, [search])
  const wanted = String(changes)
  useEffect(() => {
    const timer = setTimeout(() => {
      const { location, history } = window
      const address = wanted === '' ? '' : `?${wanted}`
      if (location.pathname === pathname && location.search !== address)
        history.replaceState(history.state, '', `${pathname}${address}`)
    }, ADDRESS_MS)
    return () => clearTimeout(timer)
  }, [wanted, pathname])
  return [changes, setChanges]
}
