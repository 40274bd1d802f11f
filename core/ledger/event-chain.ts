import { hashOf } from './canonical'

/** Before the first event of a job stands nothing. */
export const NOTHING_BEFORE = '0'.repeat(64)

/** One event of a job as it is chained: what was recorded, where in the job's log, and when the server had it. */
export type ChainedEvent = {
  job: string
  seq: number
  /** The server's clock, ISO 8601 with milliseconds. */
  atServer: string
  event: unknown
}

/**
 * The link of one event: it holds the link before it, so no event of a job can be changed, left out, put in or moved
 * without every later link being another.
 */
export const eventLink = (previous: string, { job, seq, atServer, event }: ChainedEvent): string =>
  hashOf({ previous, job, seq, atServer, event })
