import { pairOf } from '~core/fluid/judge'
import type { HardUseId } from '~core/fluid/policy/hard-use'
import type { FluidHistory } from '~core/fluid/policy/rule'
import type { Product, TakenReading } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'
import type { DatedReading } from '~core/physics/moisture/rise'
import type { Vehicle } from '~core/vehicle/schema'
import type { Queries } from '~server/db/database.server'
import { shopSettings } from './settings.server'

type HistoryRow = {
  id: string
  kind: Vehicle['kind']
  spec: FluidSpec
  hard_use: HardUseId[]
  product: Product | null
  promised_on: string | null
  exchanged_on: string | null
  exchanged_km: number | null
  readings: DatedReading[] | null
  latest: { on: string; readings: TakenReading[] } | null
  odometer: { date: string; km: number }[] | null
}

/** What each vehicle's fluid has been through since it was last exchanged; of one day the wettest reading counts. */
const HISTORIES = `
  select v.id, v.kind, coalesce(x.spec, v.file->'fluid'->>'spec') as spec, v.hard_use, v.product, v.promised_on,
    x.done_on as exchanged_on, x.km as exchanged_km,
    (select json_agg(json_strip_nulls(json_build_object('date', taken_on, 'waterPct', pct, 'errorPct', off))
       order by taken_on) from (
       select r.taken_on, max(r.water_pct) as pct, max(r.water_high - r.water_pct) as off from fluid_reading r
       where r.vehicle_id = v.id and r.water_pct is not null and r.taken_on > coalesce(x.done_on, '0001-01-01')
       group by r.taken_on) as days) as readings,
    (select json_build_object('on', taken_on, 'readings',
       json_agg(json_build_object('tester', tester, 'value', value, 'at', place) order by id))
     from fluid_reading r
     where r.vehicle_id = v.id and r.taken_on > coalesce(x.done_on, '0001-01-01')
     group by taken_on order by taken_on desc limit 1) as latest,
    (select json_agg(json_build_object('date', o.read_on, 'km', o.km) order by o.read_on, o.km)
     from odometer_reading o where o.vehicle_id = v.id) as odometer
  from vehicle v left join lateral (
    select done_on, km, spec from fluid_exchange e where e.vehicle_id = v.id order by done_on desc, id desc limit 1
  ) x on true
  where v.id = any($1)`

export type FluidNow = {
  spec: FluidSpec
  kind: Vehicle['kind']
  hardUse: HardUseId[]
  product?: Product
  promisedOn?: string
  /** Every reading of the newest day on which any was taken since the last exchange. */
  latest?: { on: string; readings: TakenReading[]; heightM: number }
  history: FluidHistory
}

/** The last day on which anything was seen of it: from there on it is foretold, so that a day once passed stays. */
const lastSeen = ({ exchanged_on, readings, odometer }: HistoryRow): string | undefined =>
  [exchanged_on ?? undefined, readings?.at(-1)?.date, odometer?.at(-1)?.date]
    .filter((day) => day !== undefined)
    .sort()
    .at(-1)

/** What is in some vehicles, and what it has been through; by vehicle. */
export async function fluidNow(
  db: Queries,
  vehicleIds: readonly string[],
  today: string,
): Promise<Map<string, FluidNow>> {
  const rows = await db.query<HistoryRow>(HISTORIES, [vehicleIds])
  const { heightM } = await shopSettings(db)
  return new Map(
    rows.map((row) => [
      row.id,
      {
        spec: row.spec,
        kind: row.kind,
        hardUse: row.hard_use,
        product: row.product ?? undefined,
        promisedOn: row.promised_on ?? undefined,
        latest: row.latest ? { ...row.latest, heightM } : undefined,
        history: {
          today: lastSeen(row) ?? today,
          pair: pairOf(row.spec, row.product ?? undefined),
          readings: row.readings ?? [],
          exchangedOn: row.exchanged_on ?? undefined,
          exchangedKm: row.exchanged_km ?? undefined,
          odometer: row.odometer ?? [],
        },
      },
    ]),
  )
}
