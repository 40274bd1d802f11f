import { type Policy, policySchema, usualPolicy } from '~core/fluid/policy/policy'
import type { Queries } from '~server/db/database.server'

/** When the shop replaces fluid, as last saved. */
export async function shopPolicy(db: Queries): Promise<Policy> {
  const [row] = await db.query<{ value: unknown }>("select value from setting where key = 'policy'")
  return policyFrom(row?.value)
}

export const policyFrom = (saved: unknown): Policy =>
  saved === undefined ? usualPolicy : policySchema.parse(saved)

export async function savePolicy(db: Queries, policy: Policy): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ('policy', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(policy)],
  )
}
