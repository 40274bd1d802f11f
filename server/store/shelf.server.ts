import { newId } from '~/lib/ids'
import type { Product } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'
import { codeFrom } from '~core/stock/code'
import type { ShelfContainer } from '~core/stock/container'
import { type OpenedRuleId, openedRuleIds } from '~core/stock/opened-rule'
import type { Database, Queries } from '~server/db/database.server'

type ContainerRow = {
  code: string
  product: string
  spec: FluidSpec
  dry_c: number | null
  wet_c: number | null
  batch: string
  size_ml: number
  left_ml: number
  opened_on: string | null
  price: number | null
  reserved_ml: number
  added_at: string
}

export type OnShelf = ShelfContainer & { addedAt: string; pair?: Product }

const onShelf = (row: ContainerRow): OnShelf => ({
  code: row.code,
  product: row.product,
  spec: row.spec,
  batch: row.batch,
  sizeMl: row.size_ml,
  leftMl: row.left_ml,
  reservedMl: row.reserved_ml,
  addedAt: row.added_at,
  ...(row.opened_on !== null && { openedOn: row.opened_on }),
  ...(row.price !== null && { price: row.price }),
  ...(row.dry_c !== null &&
    row.wet_c !== null && { pair: { name: row.product, dryC: row.dry_c, wetC: row.wet_c } }),
})

const CONTAINERS = `
  select c.code, p.name as product, p.spec, p.dry_c, p.wet_c, c.batch, c.size_ml, c.left_ml, c.opened_on, c.price, c.added_at,
    coalesce((select sum(r.ml) from reservation r where r.code = c.code and r.job_id <> $1), 0)::float as reserved_ml
  from container c join product p on p.id = c.product_id`

/** Every container that is still there, the longest on the shelf first; what one job has reserved is free to it. */
export async function containersFor(db: Queries, jobId = ''): Promise<OnShelf[]> {
  const rows = await db.query<ContainerRow>(
    `${CONTAINERS} where c.gone_on is null order by p.spec, c.added_at, c.code`,
    [jobId],
  )
  return rows.map(onShelf)
}

/** One container by its code, also one that is gone. */
export async function findContainer(db: Queries, code: string, jobId = ''): Promise<OnShelf | undefined> {
  const [row] = await db.query<ContainerRow>(`${CONTAINERS} where c.code = $2`, [jobId, code])
  return row && onShelf(row)
}

export type NewContainers = {
  product: string
  spec: FluidSpec
  dryC?: number
  wetC?: number
  batch: string
  sizeMl: number
  count: number
  price?: number
  openedOn?: string
  leftMl?: number
}

const freshCode = () => codeFrom([...crypto.getRandomValues(new Uint16Array(6))])

/** What came off the delivery, each with a code of its own; the codes. A product known under that name must be the same kind. */
export const addContainers = (
  db: Database,
  { product, spec, dryC, wetC, batch, sizeMl, count, price, openedOn, leftMl = sizeMl }: NewContainers,
  by: string,
): Promise<{ ok: true; codes: string[] } | { ok: false; fault: string }> =>
  db.transaction(async (tx) => {
    const [known] = await tx.query<{ id: string; spec: FluidSpec }>(
      'select id, spec from product where name = $1',
      [product],
    )
    if (known && known.spec !== spec)
      return { ok: false, fault: `${product} is ${known.spec} here: another kind needs another name.` }
    const id = known?.id ?? newId()
    await tx.query(
      `insert into product (id, name, spec, dry_c, wet_c) values ($1, $2, $3, $4, $5)
       on conflict (id) do update set dry_c = coalesce(excluded.dry_c, product.dry_c), wet_c = coalesce(excluded.wet_c, product.wet_c)`,
      [id, product, spec, dryC ?? null, wetC ?? null],
    )
    const codes = Array.from({ length: count }, freshCode)
    for (const code of codes) {
      await tx.query(
        'insert into container (code, product_id, batch, size_ml, left_ml, opened_on, price) values ($1, $2, $3, $4, $5, $6, $7)',
        [code, id, batch, sizeMl, leftMl, openedOn ?? null, price ?? null],
      )
      await move(tx, { code, what: 'added', ml: leftMl, by })
    }
    return { ok: true, codes }
  })

export type Move = {
  code: string
  what: 'added' | 'opened' | 'drawn' | 'given-back' | 'corrected' | 'thrown-away'
  ml: number
  shortMl?: number
  jobId?: string
  eventId?: string
  by: string
}

export const move = (tx: Queries, { code, what, ml, shortMl = 0, jobId, eventId, by }: Move) =>
  tx.query(
    'insert into container_move (code, what, ml, short_ml, job_id, event_id, by_name) values ($1, $2, $3, $4, $5, $6, $7)',
    [code, what, ml, shortMl, jobId ?? null, eventId ?? null, by],
  )

/** It is poured away, and leaves the shelf. */
export const throwAway = (db: Database, code: string, today: string, by: string): Promise<void> =>
  db.transaction(async (tx) => {
    const [row] = await tx.query<{ left_ml: number }>(
      'select left_ml from container where code = $1 and gone_on is null for update',
      [code],
    )
    if (!row) return
    await tx.query('update container set left_ml = 0, gone_on = $2 where code = $1', [code, today])
    await tx.query('delete from reservation where code = $1', [code])
    await move(tx, { code, what: 'thrown-away', ml: -row.left_ml, by })
  })

/** Somebody looked: so much is in it. */
export const correctLeft = (
  db: Database,
  code: string,
  leftMl: number,
  by: string,
): Promise<string | undefined> =>
  db.transaction(async (tx) => {
    const [row] = await tx.query<{ left_ml: number; size_ml: number }>(
      'select left_ml, size_ml from container where code = $1 and gone_on is null for update',
      [code],
    )
    if (!row) return 'There is no such container on the shelf.'
    if (leftMl > row.size_ml) return `It holds ${row.size_ml} mL when full.`
    await tx.query('update container set left_ml = $2 where code = $1', [code, leftMl])
    await move(tx, { code, what: 'corrected', ml: leftMl - row.left_ml, by })
    return undefined
  })

export type ShelfSettings = { rule: OpenedRuleId; money: string; drumMl: number }
const usualSettings: ShelfSettings = { rule: 'thirty-days', money: '', drumMl: 20_000 }

/** The shop's rule for opened containers, what its money is called, and how much a drum holds. */
export async function shelfSettings(db: Queries): Promise<ShelfSettings> {
  const [row] = await db.query<{ value: unknown }>("select value from setting where key = 'shelf'")
  return shelfFrom(row?.value)
}

export function shelfFrom(saved: unknown): ShelfSettings {
  const said = saved as Partial<ShelfSettings> | undefined
  const rule = openedRuleIds.find((id) => id === said?.rule) ?? usualSettings.rule
  return { ...usualSettings, ...said, rule }
}

export async function saveShelfSettings(db: Queries, settings: ShelfSettings): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ('shelf', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(settings)],
  )
}

/** What a job poured from the shelf, by container, and what that cost. */
export async function pouredBy(
  db: Queries,
  jobId: string,
): Promise<{ code: string; product: string; batch: string; ml: number; cost?: number }[]> {
  const rows = await db.query<{
    code: string
    product: string
    batch: string
    ml: number
    cost: number | null
  }>(
    `select m.code, p.name as product, c.batch, -sum(m.ml) as ml, -sum(m.ml) * c.price / c.size_ml as cost
     from container_move m join container c on c.code = m.code join product p on p.id = c.product_id
     where m.job_id = $1 group by m.code, p.name, c.batch, c.price, c.size_ml
     having -sum(m.ml) > 0.05 order by min(m.seq)`,
    [jobId],
  )
  return rows.map(({ cost, ...rest }) => ({ ...rest, ...(cost !== null && { cost }) }))
}
