import { createContext, useContext, useEffect, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'

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
 */
export function useOwnChanges(): ChangesHere {
  const [search, setSearch] = useSearchParams()
  const [changes, setChanges] = useState(search)
  const written = useRef(String(search))
  const address = String(search)
  useEffect(() => {
    // Somebody came here by another address, not by a change of this page.
    if (address !== written.current) {
      written.current = address
      setChanges(new URLSearchParams(address))
    }
  }, [address])
  const wanted = String(changes)
  useEffect(() => {
    if (wanted === written.current) return
    const timer = setTimeout(() => {
      written.current = wanted
      setSearch(new URLSearchParams(wanted), { replace: true, preventScrollReset: true })
    }, ADDRESS_MS)
    return () => clearTimeout(timer)
  }, [wanted, setSearch])
  return [changes, setChanges]
}
