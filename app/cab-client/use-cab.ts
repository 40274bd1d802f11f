import { useCallback, useEffect, useRef, useState } from 'react'
import { newId } from '~/lib/ids'
import type { CabAct, CabView } from '~core/cab/view'

export type CabLink = 'linked' | 'late' | 'lost'

const BEAT_MS = 2000
/** Silence of the server after which the link counts as late, and as lost. */
const LATE_MS = 5000
const LOST_MS = 9000
const PATIENCE_MS = 4000

/** The phone's side: what the server says to show, whether it is heard of, and the cab's acts. */
export function useCab(fromServer: CabView) {
  const [view, setView] = useState(fromServer)
  const [link, setLink] = useState<CabLink>('linked')
  const [sending, setSending] = useState(false)
  const [refusal, setRefusal] = useState<string>()
  /** The last act was sent and never answered. */
  const [unheard, setUnheard] = useState(false)
  const heardAt = useRef(0)
  const latest = useRef(fromServer.length)
  /** The turn of the call that is really on the screen. */
  const shown = useRef(0)
  const beat = useRef(() => {})
  useEffect(() => {
    shown.current = view.turn
    beat.current()
  }, [view.turn])
  const staysAwake = useWakeLock()
  const heard = useCallback(() => {
    heardAt.current = Date.now()
    setLink('linked')
  }, [])

  useEffect(() => {
    let stream: EventSource | undefined
    heardAt.current = Date.now()
    const open = () => {
      stream?.close()
      stream = new EventSource('/cab/stream')
      stream.addEventListener('beat', heard)
      stream.addEventListener('view', ({ data }) => {
        heard()
        const next = JSON.parse(data) as CabView
        if (next.length < latest.current) return
        latest.current = next.length
        setView(next)
        setUnheard(false)
        setRefusal(undefined)
      })
      stream.addEventListener('gone', () => {
        stream?.close()
        setView((before) => ({ ...before, says: 'ended', confirm: undefined, maySlip: false, wheel: 'done' }))
      })
    }
    const say = () =>
      void fetch(`/cab/beat?shows=${shown.current}`, {
        method: 'POST',
        signal: AbortSignal.timeout(PATIENCE_MS),
      }).catch(() => undefined)
    const look = setInterval(() => {
      const silentMs = Date.now() - heardAt.current
      setLink(silentMs > LOST_MS ? 'lost' : silentMs > LATE_MS ? 'late' : 'linked')
      // A browser gives a stream up for good after some kinds of fault: it is opened anew.
      if (silentMs > LOST_MS && stream?.readyState === EventSource.CLOSED) open()
    }, 500)
    beat.current = say
    const beats = setInterval(() => !document.hidden && say(), BEAT_MS)
    const seen = () => {
      if (document.hidden) {
        stream?.close()
        navigator.sendBeacon('/cab/beat?dark')
      } else {
        open()
        say()
      }
    }
    open()
    say()
    document.addEventListener('visibilitychange', seen)
    return () => {
      stream?.close()
      clearInterval(look)
      clearInterval(beats)
      document.removeEventListener('visibilitychange', seen)
    }
  }, [heard])

  const act = useCallback(
    (what: CabAct) => {
      if (!view.seen) return
      setSending(true)
      setUnheard(false)
      setRefusal(undefined)
      // One id for every try: sent twice, it is recorded once.
      void send({ id: newId(), at: new Date().toISOString(), act: what, seen: view.seen }).then((answer) => {
        setSending(false)
        if (answer.kind === 'refused') setRefusal(answer.text)
        setUnheard(answer.kind === 'no-answer')
      })
    },
    [view.seen],
  )
  return { view, link, sending, act, refusal, unheard, staysAwake }
}

type Answer = { kind: 'taken' } | { kind: 'refused'; text: string } | { kind: 'no-answer' }
const TRIES = 3

async function send(body: object): Promise<Answer> {
  for (let tries = 0; tries < TRIES; tries++) {
    try {
      const answer = await fetch('/cab/act', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(PATIENCE_MS),
      })
      if (answer.ok) return { kind: 'taken' }
      const { refusal } = (await answer.json()) as { refusal?: { text: string } }
      if (answer.status < 500) return { kind: 'refused', text: refusal?.text ?? '' }
    } catch {
      // Not heard: the same act again, under the same id.
    }
  }
  return { kind: 'no-answer' }
}

/** Keeps the screen on where the browser lets a page; over plain http none does. */
function useWakeLock(): boolean {
  const [awake, setAwake] = useState(true)
  useEffect(() => {
    if (!('wakeLock' in navigator)) return setAwake(false)
    let lock: WakeLockSentinel | undefined
    const ask = () =>
      navigator.wakeLock.request('screen').then(
        (given) => {
          lock = given
        },
        () => setAwake(false),
      )
    void ask()
    const again = () => !document.hidden && void ask()
    document.addEventListener('visibilitychange', again)
    return () => {
      document.removeEventListener('visibilitychange', again)
      void lock?.release()
    }
  }, [])
  return awake
}
