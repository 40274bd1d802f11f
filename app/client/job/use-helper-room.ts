import { useCallback, useEffect, useRef, useState } from 'react'
import { browserStream, LiveStream } from '~/client/live/live-stream'
import type { CabCode } from '~/components/bay/code-shown'
import { noPhone, type Phone } from '~core/cab/agree'
import type { CabView } from '~core/cab/view'
import type { CabAct } from '~core/words/cab/told'
import type { FloorAct } from './job-client'

type Room = { id: string; cab: CabCode }
type Said = { act: CabAct; seen: NonNullable<CabView['seen']> }

const post = (path: string, body?: string) =>
  fetch(path, { method: 'POST', keepalive: true, ...(body !== undefined && { body }) })

/**
 * A helper at another screen for a practice: the page sends what their phone shows, and takes what they say. Nothing of it
 * is kept anywhere.
 *
 * @returns no room until one was opened
 */
export function useHelperRoom(
  view: CabView,
  act: (act: FloorAct) => void,
): { room?: Room; phone: Phone; open: () => Promise<void>; close: () => void; fault?: string } {
  const [room, setRoom] = useState<Room>()
  const [phone, setPhone] = useState<Phone>(noPhone)
  const [fault, setFault] = useState<string>()
  const takes = useRef(act)
  takes.current = act
  const id = room?.id

  const open = useCallback(async () => {
    setFault(undefined)
    try {
      const answer = await post('/practice/rooms', JSON.stringify(view))
      // Who is no longer signed in is led to another page.
      if (!answer.ok || answer.redirected) throw new Error(answer.statusText)
      setRoom((await answer.json()) as Room)
    } catch {
      setFault('No code could be made: the server did not answer, or nobody is signed in here. Try again.')
    }
  }, [view])
  const close = useCallback(() => {
    setRoom(undefined)
    setPhone(noPhone)
  }, [])

  useEffect(() => {
    if (id === undefined) return
    const stream = new LiveStream(
      browserStream,
      () => `/practice/rooms/${id}/stream`,
      {
        phone: (said) => setPhone(JSON.parse(said) as Phone),
        act: (said) => takes.current({ type: 'call', ...(JSON.parse(said) as Said) }),
      },
      () => stream.hearing === 'lost' && setPhone((before) => ({ ...before, link: 'lost' })),
    )
    stream.begin()
    const ends = () => void navigator.sendBeacon(`/practice/rooms/${id}?ends`)
    window.addEventListener('pagehide', ends)
    return () => {
      window.removeEventListener('pagehide', ends)
      stream.end()
      ends()
    }
  }, [id])
  // One after the other, so that the phone never goes back to an older word.
  const sending = useRef(Promise.resolve())
  useEffect(() => {
    if (id === undefined) return
    sending.current = sending.current
      .then(() => post(`/practice/rooms/${id}`, JSON.stringify(view)))
      .then(
        // The room is gone, or nobody is signed in at this screen any more.
        ({ status, redirected }) => {
          if (status === 404 || redirected) close()
        },
        () => setPhone((before) => ({ ...before, link: 'lost' })),
      )
  }, [id, view, close])
  return { room, phone, open, close, ...(fault !== undefined && { fault }) }
}
