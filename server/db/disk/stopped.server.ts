import type { PGlite } from '@electric-sql/pglite'

/** The status with which PostgreSQL jumps out of a statement that it refuses; all else that is thrown has stopped it. */
const REFUSED = 100

/** As much of the compiled program as PGlite calls to have it work through what was sent. */
type Program = {
  _PostgresMainLoopOnce(): unknown
  _PostgresMainLongJmp(): unknown
  _PostgresSendReadyForQueryIfNecessary(): unknown
  _pgl_pq_flush(): unknown
  stackRestore(to: number): unknown
}

/**
 * Let a database that was stopped in its midst say so. What a trap, a panic or a file that failed throws is passed
 * over by PGlite 0.5: it answers as though all had been done, or tries again for ever and holds up the process.
 *
 * Its loop is left by way of the one call in it that stands outside its own catch.
 *
 * @returns `why`: what stopped it, undefined while it works; `stop`: nothing that waits in it is begun any more
 */
export function noticeStop(pg: PGlite): { why: () => unknown; stop: (why: unknown) => void } {
  const program = pg.Module as unknown as Program
  let stopped: unknown
  const stops =
    <A extends unknown[]>(call: (...args: A) => unknown) =>
    (...args: A) => {
      if (stopped !== undefined) throw stopped
      try {
        return call(...args)
      } catch (error) {
        if ((error as { status?: unknown } | null)?.status !== REFUSED)
          stopped = error ?? new Error('stopped')
        throw error
      }
    }
  const { stackRestore, _PostgresSendReadyForQueryIfNecessary, _pgl_pq_flush } = program
  program._PostgresMainLoopOnce = stops(program._PostgresMainLoopOnce)
  program._PostgresMainLongJmp = stops(program._PostgresMainLongJmp)
  program._PostgresSendReadyForQueryIfNecessary = () => stopped ?? _PostgresSendReadyForQueryIfNecessary()
  program._pgl_pq_flush = () => stopped ?? _pgl_pq_flush()
  program.stackRestore = (to) => {
    if (stopped !== undefined) throw stopped
    return stackRestore(to)
  }
  return {
    why: () => stopped,
    stop: (why) => {
      stopped ??= why
    },
  }
}
