import { z } from 'zod'
import type { Queries } from './database.server'

/** Where the simulated tester listens when nobody says otherwise. */
const USUAL_PORT = 4801
const portSchema = z.int().min(1).max(65_535).nullable()

/** Port of this machine on which a tester speaks; undefined where the shop has none. */
export async function testerPort(db: Queries): Promise<number | undefined> {
  const [row] = await db.query<{ value: unknown }>("select value from setting where key = 'tester-port'")
  return (row ? portSchema.parse(row.value) : USUAL_PORT) ?? undefined
}

export async function saveTesterPort(db: Queries, port: number | undefined): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ('tester-port', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(port ?? null)],
  )
}
