import { useCallback, useEffect, useRef, useState } from 'react'
import { newId } from '~/lib/ids'
import { applyEvent } from '~core/run/apply'
import type { FloorEvent, Person, Unstamped } from '~core/run/events'
import type { JobState } from '~core/run/state'
import { dropPending, keepPending, pendingEvents } from './queue'
import { newerState, sendEvent } from './send'

/** What the floor screens make: an event without its stamp. */
export type FloorAct = Unstamped<FloorEvent>
export type Link = 'saved' | 'sending' | 'offline' | 'nobody-here' | 'not-now'

export type JobRun = {
  state: JobState
  act: (act: FloorAct) => void
  link: Link
  /** Why the last act was refused, or what keeps acts from being saved. */
  refusal?: string
  /** Whether this browser's store took the last act: where it does not, a closed page loses what is not yet sent. */
  keeps: boolean
  /** Look at once whether another screen has gone on. */
  lookAgain: () => void
}

const RETRY_MS = 2000
/** How long another device's act may stay unseen here. */
const LOOK_AGAIN_MS = 4000

/**
 * A live job in this browser: every act is applied here at once by the same reducer as on the server, kept in the
 * browser's store, and sent in order until the server has it. What the server has recorded is the truth.
 */
export function useJobRun(jobId: string, fromServer: JobState, by?: Person): JobRun {
  const [state, setState] = useState(fromServer)
  const [link, setLink] = useState<Link>('saved')
  const [refusal, setRefusal] = useState<string>()
  /** Why the server cannot save now; goes away by itself when it can, which a refused act must not. */
  const [notNow, setNotNow] = useState<string>()
  const [keeps, setKeeps] = useState(true)
  const confirmed = useRef(fromServer)
  const queue = useRef<FloorEvent[]>([])
  const sending = useRef(false)
  const current = useRef(fromServer)
  const otherTabs = useRef<BroadcastChannel>(undefined)

  const show = useCallback((next: JobState) => {
    current.current = next
    setState(next)
  }, [])

  /** What the server has, with what it has not yet confirmed on top. */
  const rebuild = useCallback(() => {
    let next = confirmed.current
    for (const event of queue.current) {
      const applied = applyEvent(next, event)
      if (applied.ok) next = applied.state
    }
    show(next)
  }, [show])

  const adopt = useCallback(
    (latest: JobState | undefined) => {
      if (!latest || latest.length < confirmed.current.length) return
      confirmed.current = latest
      rebuild()
    },
    [rebuild],
  )
  const lookAgain = useCallback(
    async () => adopt(await newerState(jobId, confirmed.current.length)),
    [adopt, jobId],
  )

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    for (let event = queue.current[0]; event; event = queue.current[0]) {
      const answer = await sendEvent(jobId, event)
      if (answer.kind !== 'taken' && answer.kind !== 'refused') {
        setLink(answer.kind === 'no-answer' ? 'offline' : answer.kind)
        if (answer.kind === 'not-now') setNotNow(answer.text)
        await new Promise((resume) => setTimeout(resume, RETRY_MS))
        continue
      }
      // A refused event is let go of too: another screen went on meanwhile, and the person is told.
      setNotNow(undefined)
      if (answer.kind === 'refused') setRefusal(answer.text)
      queue.current.shift()
      // Where the store fails, one event is kept too long: sent twice, it is still recorded once.
      await dropPending(jobId, event.id).catch(() => undefined)
      const applied = applyEvent(confirmed.current, event)
      if (answer.kind === 'refused') adopt(answer.state)
      // Nobody else was at it between: what this browser made of it is what the server has.
      else if (applied.ok && applied.state.length === answer.length) confirmed.current = applied.state
      else await lookAgain()
      rebuild()
      otherTabs.current?.postMessage('went on')
    }
    sending.current = false
    setLink('saved')
  }, [adopt, jobId, lookAgain, rebuild])

  // The desk records through forms; what the loader then brings is newer than what this screen knew.
  useEffect(() => adopt(fromServer), [adopt, fromServer])

  useEffect(() => {
    // A browser without a store has nothing left from before; what is lost by that is said when something is kept.
    const leftFromBefore = pendingEvents(jobId).catch((): FloorEvent[] => [])
    void leftFromBefore.then((left) => {
      const known = new Set(queue.current.map((event) => event.id))
      queue.current = [...left.filter((event) => !known.has(event.id)), ...queue.current]
      if (queue.current.length === 0) return
      setLink('sending')
      rebuild()
      void send()
    })
  }, [jobId, rebuild, send])

  // Another screen may go on at any time: other tabs say so, other devices are looked after.
  useEffect(() => {
    const catchUp = () => {
      if (document.hidden || sending.current) return
      void (queue.current.length > 0 ? send() : lookAgain())
    }
    const channel = new BroadcastChannel(`job ${jobId}`)
    channel.onmessage = catchUp
    otherTabs.current = channel
    const timer = setInterval(catchUp, LOOK_AGAIN_MS)
    window.addEventListener('focus', catchUp)
    return () => {
      channel.close()
      clearInterval(timer)
      window.removeEventListener('focus', catchUp)
    }
  }, [jobId, lookAgain, send])

  const act = useCallback(
    (made: FloorAct) => {
      const event = { by, ...made, id: newId(), at: new Date().toISOString() } as FloorEvent
      const applied = applyEvent(current.current, event)
      if (!applied.ok) return setRefusal(applied.refusal.text)
      setRefusal(undefined)
      // Not saved from this very moment on, or the page would go on as if the server knew.
      setLink((before) => (before === 'saved' ? 'sending' : before))
      show(applied.state)
      queue.current.push(event)
      void keepPending(jobId, event)
        .then(
          () => setKeeps(true),
          () => setKeeps(false),
        )
        .then(send)
    },
    [by, jobId, send, show],
  )

  const look = useCallback(() => {
    if (!sending.current) void lookAgain()
  }, [lookAgain])

  return { state, act, link, refusal: refusal ?? notNow, keeps, lookAgain: look }
}
