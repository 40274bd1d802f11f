import { metricUnits, type Units, unitsSchema } from '~core/units/units'
import type { Queries } from '~server/db/database.server'

/** What somebody sees: their own units, else the shop's, else metric. */
export async function unitsFor(
  db: Queries,
  personId: string | undefined,
): Promise<{ shown: Units; own: boolean; shop: Units }> {
  const [row] = await db.query<{ own: unknown; shop: unknown }>(
    `select (select units from person where id = $1) as own,
            (select value from setting where key = 'units') as shop`,
    [personId ?? ''],
  )
  const shop = row?.shop ? unitsSchema.parse(row.shop) : metricUnits
  return row?.own ? { shown: unitsSchema.parse(row.own), own: true, shop } : { shown: shop, own: false, shop }
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
