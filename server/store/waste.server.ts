import { drumFullOn, type WasteKind, wasteKindIds } from '~core/stock/waste'
import type { Queries } from '~server/db/database.server'

export type Drum = {
  kind: WasteKind
  ml: number
  fullOn?: string
  /** Amounts since it was last empty, the newest first. */
  jobs: { on: string; ml: number; jobId?: string; plate?: string }[]
  handedOver: { on: string; ml: number; paper: string; by: string }[]
}

type WasteRow = {
  kind: WasteKind
  ml: number
  on_day: string
  job_id: string | null
  plate: string | null
  paper: string
  by_name: string
}

/** Every drum with what is in it, when it will be full, and what was handed over. */
export async function drums(db: Queries, capacityMl: number, today: string): Promise<Drum[]> {
  const rows = await db.query<WasteRow>(
    `select w.kind, w.ml, w.on_day, w.job_id, w.paper, w.by_name, v.plate
     from waste w left join job on job.id = w.job_id left join vehicle v on v.id = job.vehicle_id order by w.seq`,
  )
  return wasteKindIds.flatMap((kind) => {
    const own = rows.filter((row) => row.kind === kind)
    if (own.length === 0) return []
    const since = own.slice(own.findLastIndex(({ ml }) => ml < 0) + 1)
    const amounts = since.map(({ on_day, ml }) => ({ on: on_day, ml }))
    return [
      {
        kind,
        ml: amounts.reduce((sum, { ml }) => sum + ml, 0),
        fullOn: drumFullOn(amounts, capacityMl, today),
        jobs: since.reverse().map(({ on_day, ml, job_id, plate }) => ({
          on: on_day,
          ml,
          ...(job_id !== null && { jobId: job_id }),
          ...(plate !== null && { plate }),
        })),
        handedOver: own
          .filter(({ ml }) => ml < 0)
          .map(({ on_day, ml, paper, by_name }) => ({ on: on_day, ml: -ml, paper, by: by_name }))
          .reverse(),
      },
    ]
  })
}

/** The drum goes to whoever takes it, all of it, against a paper; it begins anew. */
export const handOver = (db: Queries, kind: WasteKind, on: string, paper: string, by: string) =>
  db.query(
    `insert into waste (kind, ml, on_day, paper, by_name)
     select $1, -sum(ml), $2, $3, $4 from waste where kind = $1 having sum(ml) > 0`,
    [kind, on, paper, by],
  )
