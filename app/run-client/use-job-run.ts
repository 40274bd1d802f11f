import { useCallback, useEffect, useMemo, useRef, useSyncExternalStore } from 'react'
import { useSay } from '~/lib/say'
import type { Person } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { type FloorAct, JobClient, type JobSnapshot } from './job-client'
import { otherBuild } from './other-build'
import { pendingOf } from './queue'
import { newerState, sendEvent } from './send'

export type { FloorAct, Link } from './job-client'

export type JobRun = Omit<JobSnapshot, 'refusal'> & {
  /** Why the last act was refused, or what keeps acts from being saved, in words. */
  refusal?: string
  act: (act: FloorAct) => void
  /** What a stream said another screen recorded. */
  hear: (place: number, stored: unknown) => void
  /** How far the job's log is known here. */
  have: () => number
}

/** How long another device's act may stay unseen here. */
const LOOK_AGAIN_MS = 4000

/** A live job in this browser, kept in the browser's own store and shared with its other tabs. */
export function useJobRun(jobId: string, fromServer: JobState, by?: Person): JobRun {
  const otherTabs = useRef<BroadcastChannel>(undefined)
  // biome-ignore lint/correctness/useExhaustiveDependencies: what a later page brings is adopted, not begun with again
  const client = useMemo(
    () =>
      new JobClient(
        fromServer,
        {
          send: (event) => sendEvent(jobId, event),
          newer: (have) => newerState(jobId, have),
          stale: () => otherBuild() !== undefined,
        },
        pendingOf(jobId),
        undefined,
        () => otherTabs.current?.postMessage('went on'),
      ),
    [jobId],
  )
  const snapshot = useSyncExternalStore(client.subscribe, client.snapshot, client.snapshot)

  // The desk records through forms; what the loader then brings is newer than what this screen knew.
  useEffect(() => client.adopt(fromServer), [client, fromServer])

  // Another screen may go on at any time: other tabs say so, other devices are looked after.
  useEffect(() => {
    void client.begin()
    const catchUp = () => !document.hidden && client.catchUp()
    const channel = new BroadcastChannel(`job ${jobId}`)
    channel.onmessage = catchUp
    otherTabs.current = channel
    const timer = setInterval(catchUp, LOOK_AGAIN_MS)
    window.addEventListener('focus', catchUp)
    return () => {
      client.end()
      channel.close()
      clearInterval(timer)
      window.removeEventListener('focus', catchUp)
    }
  }, [client, jobId])

  const act = useCallback((made: FloorAct) => client.act(made, by), [by, client])
  const hear = useCallback((place: number, stored: unknown) => client.hear(place, stored), [client])
  const have = useCallback(() => client.have, [client])
  const say = useSay()
  const { refusal, ...rest } = snapshot
  return { ...rest, refusal: refusal && say(refusal), act, hear, have }
}
