import { type Condemned, dueOf, type FluidDue } from '~core/fluid/due'
import { judgeFluid, pairOf } from '~core/fluid/judge'
import type { HardUseId } from '~core/fluid/policy/hard-use'
import { type LimitsInUse, limitsFor, type Policy } from '~core/fluid/policy/policy'
import type { FluidHistory } from '~core/fluid/policy/rule'
import type { Product, TakenReading } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'
import { bleedsAll } from '~core/job/learned/bleeds-all'
import { bleedDone, fluidIn } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import type { DatedReading } from '~core/physics/moisture/rise'
import type { Vehicle } from '~core/vehicle/schema'
import type { Database, Queries } from './database.server'
import { shopPolicy } from './policy.server'
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

/** When the fluid in one vehicle is due, by every rule. */
export function dueUnder(policy: Policy, now: FluidNow): FluidDue | undefined {
  const limits = limitsFor(policy, now)
  return dueOf(now.history, limits, { promisedOn: now.promisedOn, condemned: condemnedUnder(now, limits) })
}

/** What the one judge says of the newest readings, where that is replace. */
function condemnedUnder(
  { latest, spec, kind, product }: FluidNow,
  limits: LimitsInUse,
): Condemned | undefined {
  if (!latest) return undefined
  const { on, readings } = latest
  const judged = judgeFluid({ spec, kind, product, readings, heightM: latest.heightM }, limits)
  return judged.verdict === 'replace' ? { on, because: judged.because } : undefined
}

/** Work out again when these vehicles are due and keep it, so that no list has to. */
export async function workOutDue(tx: Queries, vehicleIds: readonly string[], today: string): Promise<void> {
  const policy = await shopPolicy(tx)
  const rows = [...(await fluidNow(tx, vehicleIds, today))].flatMap(([id, now]) => {
    const due = dueUnder(policy, now)
    return due ? [{ id, due }] : []
  })
  await tx.query('delete from fluid_due where vehicle_id = any($1)', [vehicleIds])
  await tx.query(
    `insert into fluid_due (vehicle_id, earliest, likely, latest, rule, basis, limit_value, worked_out_on)
     select id, earliest::date, likely::date, latest::date, rule, basis, limit_value, $2::date
     from json_to_recordset($1::json) as d (id text, earliest text, likely text, latest text, rule text, basis text, limit_value float)`,
    [
      JSON.stringify(
        rows.map(({ id, due: { earliest, likely, latest, rule, basis, limit } }) => ({
          id,
          earliest,
          likely,
          latest,
          rule,
          basis,
          limit_value: limit,
        })),
      ),
      today,
    ],
  )
}

/** So many vehicles at a time that no other page waits long: the database shares the server's one thread. */
const AT_ONCE = 50

/** Work out every vehicle's day again, after the policy has changed. */
export async function workOutAllDue(db: Database, today: string): Promise<void> {
  const ids = (await db.query<{ id: string }>('select id from vehicle order by id')).map(({ id }) => id)
  for (let from = 0; from < ids.length; from += AT_ONCE)
    await db.transaction((tx) => workOutDue(tx, ids.slice(from, from + AT_ONCE), today))
}

export type DueRow = {
  id: string
  plate: string
  name: string
  kind: Vehicle['kind']
  earliest: string
  likely: string
  latest: string
  rule: FluidDue['rule']
  basis: FluidDue['basis']
  limit_value: number | null
  /** A job that is open on it now. */
  job_id: string | null
}

const dueColumns = `v.id, v.plate, v.name, v.kind, d.earliest, d.likely, d.latest, d.rule, d.basis, d.limit_value, j.id as job_id
  from fluid_due d join vehicle v on v.id = d.vehicle_id
  left join (
    select distinct on (vehicle_id) vehicle_id, id from job where filed_at is null order by vehicle_id, opened_at desc
  ) j on j.vehicle_id = v.id`

/** Every vehicle with a day, the first due first. */
export const dueList = (db: Queries): Promise<DueRow[]> =>
  db.query(`select ${dueColumns} order by d.likely, v.plate`)

/** Those due from one day up to another, at most so many of them. */
export const dueBetween = (db: Queries, from: string, before: string, most: number): Promise<DueRow[]> =>
  db.query(
    `select ${dueColumns} where d.likely >= $1::date and d.likely < $2::date order by d.likely, v.plate limit $3`,
    [from, before, most],
  )

/** One vehicle's day; undefined where it has none. */
export const dueOfVehicle = async (db: Queries, id: string): Promise<DueRow | undefined> =>
  (await db.query<DueRow>(`select ${dueColumns} where v.id = $1`, [id]))[0]

/** How many are due in each of the spans between these days, from the first to after the last. */
export async function dueCounts(db: Queries, starts: readonly string[]): Promise<number[]> {
  const rows = await db.query<{ span: number; count: number }>(
    `select width_bucket(likely, $1::date[]) as span, count(*)::int as count from fluid_due group by 1`,
    [starts],
  )
  return starts.map((_, i) => rows.find(({ span }) => span === i + 1)?.count ?? 0)
}

/** The first few that are due and not in the yard already. */
export const dueNext = (
  db: Queries,
  most: number,
): Promise<Pick<DueRow, 'id' | 'plate' | 'name' | 'likely'>[]> =>
  db.query(
    `select v.id, v.plate, v.name, d.likely from fluid_due d join vehicle v on v.id = d.vehicle_id
     where v.id not in (select vehicle_id from job where filed_at is null)
     order by d.likely, v.plate limit $1`,
    [most],
  )

/** Vehicles of which nothing is known that would say when, at most so many, and how many there are. */
export async function withoutDue(
  db: Queries,
  most: number,
): Promise<{ count: number; first: { id: string; plate: string; name: string }[] }> {
  const rows = await db.query<{ id: string; plate: string; name: string; count: number }>(
    `select v.id, v.plate, v.name, count(*) over ()::int as count
     from vehicle v left join fluid_due d on d.vehicle_id = v.id
     where d.vehicle_id is null order by v.plate, v.name limit $1`,
    [most],
  )
  return { count: rows[0]?.count ?? 0, first: rows.map(({ id, plate, name }) => ({ id, plate, name })) }
}

/** When a job's vehicle will be due if it were filed today: all of its fluid new, or as it stands. */
export async function dueAfterFiling(
  db: Queries,
  state: JobState,
  today: string,
): Promise<FluidDue | undefined> {
  const { vehicleId, checkIn, vehicle, run } = state
  const now = (await fluidNow(db, [vehicleId], today)).get(vehicleId)
  if (!now) return undefined
  const policy = await shopPolicy(db)
  if (!run || !bleedDone(state) || !bleedsAll({ run, vehicle })) return dueUnder(policy, now)
  const spec = fluidIn(state)
  const fresh: FluidNow = {
    ...now,
    spec,
    promisedOn: undefined,
    latest: undefined,
    history: {
      ...now.history,
      today,
      pair: pairOf(spec),
      readings: [],
      exchangedOn: today,
      exchangedKm: checkIn?.odometerKm,
    },
  }
  return dueUnder(policy, fresh)
}
