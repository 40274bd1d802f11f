import { randomBytes, timingSafeEqual } from 'node:crypto'
import type { Queries } from '~server/db/database.server'

const SECRET_BYTES = 24

/** The secret in the address that calendar programs fetch; made when it is first asked for. */
export async function calendarSecret(db: Queries): Promise<string> {
  const [row] = await db.query<{ value: string }>("select value from setting where key = 'calendar-secret'")
  return row?.value ?? renewCalendarSecret(db)
}

/** Another secret: every calendar that holds the old address gets nothing more. */
export async function renewCalendarSecret(db: Queries): Promise<string> {
  const secret = randomBytes(SECRET_BYTES).toString('base64url')
  await db.query(
    "insert into setting (key, value) values ('calendar-secret', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(secret)],
  )
  return secret
}

/** Whether somebody holds the secret; in the same time for a near miss as for a wild guess. */
export async function isCalendarSecret(db: Queries, given: string): Promise<boolean> {
  const [secret, claimed] = [Buffer.from(await calendarSecret(db)), Buffer.from(given)]
  return secret.length === claimed.length && timingSafeEqual(secret, claimed)
}
