import { type Costs, costsSchema } from '~core/diagnosis/request'
import { usualCosts } from '~core/diagnosis/usual'
import type { Policy } from '~core/fluid/policy/policy'
import { type Shop, shopSchema } from '~core/plan/request'
import type { SheetPrices } from '~core/repair-sheets/sheet'
import type { Queries } from '~server/db/database.server'
import { policyFrom } from './policy.server'
import { type ShelfSettings, shelfFrom } from './shelf.server'

/** How the shop works where nobody said otherwise. */
const firstShop = shopSchema.parse({
  methods: ['two-person', 'pressure', 'vacuum', 'bench', 'ports', 'control-unit'],
})

/** The shop's methods, schools and containers, as last saved. */
export async function shopSettings(db: Queries): Promise<Shop> {
  const [row] = await db.query<{ value: unknown }>("select value from setting where key = 'shop'")
  return shopFrom(row?.value)
}

const shopFrom = (saved: unknown): Shop => (saved === undefined ? firstShop : shopSchema.parse(saved))

/** What a plan and a judgement of fluid go by in this shop. */
export type ShopSays = { shop: Shop; policy: Policy; shelf: ShelfSettings }

/** All that the shop has said of plans and fluid, in one question. */
export async function shopSays(db: Queries): Promise<ShopSays> {
  const rows = await db.query<{ key: string; value: unknown }>(
    "select key, value from setting where key in ('shop', 'policy', 'shelf')",
  )
  const saved = (key: string) => rows.find((row) => row.key === key)?.value
  return {
    shop: shopFrom(saved('shop')),
    policy: policyFrom(saved('policy')),
    shelf: shelfFrom(saved('shelf')),
  }
}

export const saveShopSettings = (db: Queries, shop: Shop): Promise<void> => save(db, 'shop', shop)

/** What an hour and parts cost here; what nobody said is left out. */
export async function shopPrices(db: Queries): Promise<Costs> {
  const [row] = await db.query<{ value: unknown }>("select value from setting where key = 'prices'")
  return costsSchema.parse(row?.value ?? {})
}

/** The same where every part has a price: the usual one where the shop gave none. */
export async function sheetPrices(db: Queries): Promise<SheetPrices> {
  const { labourPerHour = usualCosts.labourPerHour, parts } = await shopPrices(db)
  const own = Object.entries(parts).filter(([, price]) => price !== undefined)
  return { labourPerHour, parts: { ...usualCosts.parts, ...Object.fromEntries(own) } }
}

export const savePrices = (db: Queries, costs: Costs): Promise<void> => save(db, 'prices', costs)

async function save(db: Queries, key: string, value: object): Promise<void> {
  await db.query(
    'insert into setting (key, value) values ($1, $2) on conflict (key) do update set value = excluded.value',
    [key, JSON.stringify(value)],
  )
}
