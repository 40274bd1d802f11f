import type { FluidDue } from '~core/fluid/due'
import type { Vehicle } from '~core/vehicle/schema'
import type { Queries } from '~server/db/database.server'

/** Keep when these vehicles are due, as it was worked out; one that is not among the rows has no day. */
export async function keepDue(
  tx: Queries,
  vehicleIds: readonly string[],
  rows: readonly { id: string; due: FluidDue }[],
  today: string,
): Promise<void> {
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
