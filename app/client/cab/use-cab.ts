import { useEffect, useState, useSyncExternalStore } from 'react'
import { browserStream } from '~/client/live/live-stream'
import type { CabView } from '~core/cab/view'
import { CabClient, type CabWire } from './cab-client'

/** The phone's side in a browser: its stream is closed while the page is hidden, and the server is told that it is dark. */
export function useCab(fromServer: CabView) {
  const [client] = useState(() => new CabClient(fromServer, browserWire))
  const snapshot = useSyncExternalStore(client.subscribe, client.snapshot, client.snapshot)
  const { turn } = snapshot.view
  useEffect(() => client.shown(turn), [client, turn])
  const staysAwake = useWakeLock()
  useEffect(() => {
    client.begin()
    const seen = () => {
      if (!document.hidden) return client.open()
      client.close()
      navigator.sendBeacon('/cab/beat?dark')
    }
    document.addEventListener('visibilitychange', seen)
    return () => {
      client.end()
      document.removeEventListener('visibilitychange', seen)
    }
  }, [client])
  return { ...snapshot, act: client.act.bind(client), staysAwake }
}

const browserWire: CabWire = {
  open: browserStream,
  async post(path, patienceMs, body) {
    const answer = await fetch(path, {
      method: 'POST',
      signal: AbortSignal.timeout(patienceMs),
      ...(body !== undefined && { headers: { 'Content-Type': 'application/json' }, body }),
    })
    return { status: answer.status, text: await answer.text() }
  },
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
