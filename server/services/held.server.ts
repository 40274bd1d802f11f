import { fact, type Notice } from '~core/base/decision'
import type { FloorEvent } from '~core/job/events'
import { tooSoon } from '~core/job/timers'
import type { Queries } from '~server/db/database.server'

/** What the way of two messages may shorten between them, s. @source from memory */
const ON_THE_WAY_S = 2

/** What an act says that was held, or took its time: which timer ends with it, and how long it says, s. */
function heldBy(event: FloorEvent): { timer: string; saidS: number } | undefined {
  const timer =
    event.type === 'check-proved' ? event.check : event.type === 'step-done' ? event.step : undefined
  const saidS =
    event.type === 'step-done' ? (event.heldS ?? event.tookS) : 'heldS' in event ? event.heldS : undefined
  return timer === undefined || saidS === undefined ? undefined : { timer, saidS }
}

/** Whether an act is judged by when another was recorded. */
export const endsTimer = (event: FloorEvent): boolean => heldBy(event) !== undefined

/**
 * Why something was not held, or did not take, as long as the screen says: by this server's own clock, from when it was told of
 * the start. What a screen kept while there was no server is marked late instead: nobody here saw it begin.
 */
export async function notHeld(db: Queries, jobId: string, event: FloorEvent): Promise<Notice | undefined> {
  const held = heldBy(event)
  if (!held) return undefined
  const { timer, saidS } = held
  const [started] = await db.query<{ ms: number; late: boolean }>(
    `select (extract(epoch from at_server) * 1000)::float8 as ms, body->>'waitedS' is not null as late from job_event
     where job_id = $1 and type = 'timer-started' and body->>'timer' = $2 order by seq desc limit 1`,
    [jobId, timer],
  )
  if (!started) return fact('not-timed', { holdS: saidS })
  // One that ends late has been running all the longer; only where its start came late too does nobody here know.
  if (started.late) return undefined
  return tooSoon(saidS, (Date.now() - started.ms) / 1000 + ON_THE_WAY_S)
}
