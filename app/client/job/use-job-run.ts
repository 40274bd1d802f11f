import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { browserStream } from '~/client/live/live-stream'
import { useSay } from '~/lib/say'
import { noPhone, type Phone, phoneNotYetHeard } from '~core/cab/agree'
import type { Person } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { type FloorAct, JobClient, type JobSnapshot } from './job-client'
import { JobFeed } from './job-feed'
import { heardBuild, otherBuild } from './other-build'
import { pendingOf } from './queue'
import { newerState, wireOf } from './send'
import { tend } from './tended'

export type { FloorAct, Link } from './job-client'

export type JobRun = Omit<JobSnapshot, 'refusal'> & {
  /** Why the last act was refused, or what keeps acts from being saved, in words. */
  refusal?: string
  act: (act: FloorAct) => void
  /** How the phone in the cab stands. */
  phone: Phone
}

/** A live job in this browser: what it does is kept in the browser's own store, what others do comes by its feed. */
export function useJobRun(
  jobId: string,
  { state: fromServer, linked }: { state: JobState; linked: boolean },
  by?: Person,
): JobRun {
  // biome-ignore lint/correctness/useExhaustiveDependencies: what a later page brings is adopted, not begun with again
  const client = useMemo(
    () =>
      new JobClient(
        fromServer,
        {
          ...wireOf(jobId),
          newer: (have) => newerState(jobId, have),
          stale: () => otherBuild() !== undefined,
        },
        pendingOf(jobId, fromServer.plate),
      ),
    [jobId],
  )
  const snapshot = useSyncExternalStore(client.subscribe, client.snapshot, client.snapshot)

  // The desk records through forms; what the loader then brings is newer than what this screen knew.
  useEffect(() => client.adopt(fromServer), [client, fromServer])
  useEffect(() => {
    const untend = tend(jobId)
    void client.begin()
    return () => {
      client.end()
      untend()
    }
  }, [client, jobId])

  const phone = useFeed(jobId, client, snapshot.state.filed === undefined, linked)
  const act = useCallback((made: FloorAct) => client.act(made, by), [by, client])
  const say = useSay()
  const { refusal, ...rest } = snapshot
  return { ...rest, refusal: refusal && say(refusal), act, phone }
}

/** The job's feed, as long as anything can come by it and somebody can see this page. */
function useFeed(jobId: string, client: JobClient, on: boolean, linked: boolean): Phone {
  const [phone, setPhone] = useState(linked ? phoneNotYetHeard : noPhone)
  // biome-ignore lint/correctness/useExhaustiveDependencies: whether a phone is linked is the feed's to say once it is heard
  useEffect(() => {
    if (!on) return setPhone(noPhone)
    const feed = new JobFeed(
      jobId,
      {
        have: () => client.have,
        hear: (place, event) => client.hear(place, event),
        beat: (told, build) => {
          heardBuild(build)
          client.told(told)
        },
      },
      linked ? phoneNotYetHeard : noPhone,
      browserStream,
    )
    const off = feed.subscribe(() => setPhone(feed.snapshot()))
    // Hidden, a page holds no stream: a browser has only six of them for one host.
    const seen = () => (document.hidden ? feed.close() : feed.open())
    feed.begin()
    if (document.hidden) feed.close()
    document.addEventListener('visibilitychange', seen)
    return () => {
      off()
      feed.end()
      document.removeEventListener('visibilitychange', seen)
    }
  }, [jobId, client, on])
  return phone
}
