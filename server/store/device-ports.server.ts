import { z } from 'zod'
import type { Queries } from '~server/db/database.server'

/** Instruments that speak on a port of this machine, and where the simulated one of each listens. */
const usualPorts = { tester: 4801, scale: 4803, 'scan-tool': 4805 } as const
export type Device = keyof typeof usualPorts

const portSchema = z.int().min(1).max(65_535).nullable()

/** Port of this machine on which an instrument speaks; undefined where the shop has none. */
export async function devicePort(db: Queries, device: Device): Promise<number | undefined> {
  const [row] = await db.query<{ value: unknown }>('select value from setting where key = $1', [
    keyOf(device),
  ])
  return (row ? portSchema.parse(row.value) : usualPorts[device]) ?? undefined
}

export async function saveDevicePort(db: Queries, device: Device, port: number | undefined): Promise<void> {
  await db.query(
    'insert into setting (key, value) values ($1, $2) on conflict (key) do update set value = excluded.value',
    [keyOf(device), JSON.stringify(port ?? null)],
  )
}

const keyOf = (device: Device) => `${device}-port`
