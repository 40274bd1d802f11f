import { isZone } from '~/lib/zone'
import type { Queries } from '~server/db/database.server'

/** The shop's time zone: as it was set, at first the machine's. */
export async function shopZone(db: Queries): Promise<string> {
  const [row] = await db.query<{ value: string }>("select value from setting where key = 'zone'")
  return zoneOf(row?.value)
}

/** The zone that is stored, where this machine knows it. */
export const zoneOf = (stored: string | null | undefined): string =>
  stored && isZone(stored) ? stored : machineZone()

export async function saveShopZone(db: Queries, zone: string): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ('zone', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(zone)],
  )
}

/** A first start keeps the zone of the machine it is on: moved to another later, the shop's days stay its own. */
export async function keepMachineZone(db: Queries): Promise<void> {
  await db.query("insert into setting (key, value) values ('zone', $1) on conflict (key) do nothing", [
    JSON.stringify(machineZone()),
  ])
}

const machineZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC'
