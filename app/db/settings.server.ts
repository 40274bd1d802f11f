import { type Shop, shopSchema } from '~core/plan/request'
import type { Queries } from './database.server'

/** How the shop works where nobody said otherwise. */
const firstShop = shopSchema.parse({
  methods: ['two-person', 'pressure', 'vacuum', 'bench', 'ports', 'control-unit'],
})

/** The shop's methods, schools and containers, as last saved. */
export async function shopSettings(db: Queries): Promise<Shop> {
  const [row] = await db.query<{ value: unknown }>("select value from setting where key = 'shop'")
  return row ? shopSchema.parse(row.value) : firstShop
}

export async function saveShopSettings(db: Queries, shop: Shop): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ('shop', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(shop)],
  )
}
