import { cabCodeFrom, readCabCode } from '~core/cab/code'
import type { Database, Queries } from '~server/db/database.server'
import { hashed, newToken } from './token.server'

/** A code that nobody used goes out: whoever reads it off a screen later links nothing. @source from memory */
const CODE_MS = 10 * 60_000

/** The code that would link a phone to a job's cab now, and until when; undefined where there is none. */
export async function cabCodeOf(
  db: Queries,
  jobId: string,
  now = new Date(),
): Promise<{ code: string; until: string } | undefined> {
  const [row] = await db.query<{ code: string; made_at: string }>(
    'select code, made_at from cab_code where job_id = $1',
    [jobId],
  )
  if (!row) return undefined
  const until = new Date(Date.parse(row.made_at) + CODE_MS)
  return now < until ? { code: row.code, until: until.toISOString() } : undefined
}

/** Another code for a job's cab; the phone that was linked is no longer. */
export async function newCabCode(db: Queries, jobId: string, now = new Date()): Promise<string> {
  const code = cabCodeFrom([...crypto.getRandomValues(new Uint16Array(6))])
  await unlinkCab(db, jobId)
  await db.query('insert into cab_code (job_id, code, made_at) values ($1, $2, $3)', [
    jobId,
    code,
    now.toISOString(),
  ])
  return code
}

/** No phone any more, and no code that would link one. */
export async function unlinkCab(tx: Queries, jobId: string): Promise<void> {
  await tx.query('delete from cab_phone where job_id = $1', [jobId])
  await tx.query('delete from cab_code where job_id = $1', [jobId])
}

/** Link a phone by the code: what its browser is to hold, and the job. A code works once. */
export async function joinCab(
  db: Database,
  typed: string,
  now = new Date(),
): Promise<{ jobId: string; token: string } | undefined> {
  const code = readCabCode(typed)
  if (code === undefined) return undefined
  const token = newToken()
  return db.transaction(async (tx) => {
    const [row] = await tx.query<{ job_id: string }>(
      'delete from cab_code where code = $1 and made_at > $2 returning job_id',
      [code, new Date(now.getTime() - CODE_MS).toISOString()],
    )
    if (!row) return undefined
    await tx.query(
      `insert into cab_phone (job_id, token_hash) values ($1, $2)
       on conflict (job_id) do update set token_hash = excluded.token_hash, since = now()`,
      [row.job_id, hashed(token)],
    )
    return { jobId: row.job_id, token }
  })
}

/** Whether a phone is linked to a job's cab. */
export const hasPhone = async (db: Queries, jobId: string): Promise<boolean> =>
  (await db.query('select 1 from cab_phone where job_id = $1', [jobId])).length > 0

/** The job whose cab a phone holds; undefined where it holds none any more. */
export async function jobOfPhone(db: Queries, token: string | undefined): Promise<string | undefined> {
  if (token === undefined) return undefined
  const [row] = await db.query<{ job_id: string }>('select job_id from cab_phone where token_hash = $1', [
    hashed(token),
  ])
  return row?.job_id
}
