import { metricUnits, type Units, unitsSchema } from '~core/units/units'
import type { Queries } from '~server/db/database.server'

export type UnitsFor = { shown: Units; own: boolean; shop: Units }

/** What somebody sees: their own units, else the shop's, else metric. */
export async function unitsFor(db: Queries, personId: string | undefined): Promise<UnitsFor> {
  const [row] = await db.query<{ own: unknown; shop: unknown }>(
    `select (select units from person where id = $1) as own,
            (select value from setting where key = 'units') as shop`,
    [personId ?? ''],
  )
  return chosenUnits(row)
}

/** The same from what is stored of somebody and of the shop. */
export function chosenUnits(stored?: { own: unknown; shop: unknown }): UnitsFor {
  const shop = stored?.shop ? unitsSchema.parse(stored.shop) : metricUnits
  return stored?.own
    ? { shown: unitsSchema.parse(stored.own), own: true, shop }
    : { shown: shop, own: false, shop }
}

export async function saveShopUnits(db: Queries, units: Units): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ('units', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(units)],
  )
}

/** @param units null takes the shop's again */
export async function saveOwnUnits(db: Queries, personId: string, units: Units | null): Promise<void> {
  await db.query('update person set units = $2 where id = $1', [personId, units && JSON.stringify(units)])
}
