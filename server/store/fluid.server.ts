import { pairOf } from '~core/fluid/judge'
import type { Product, TakenReading } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'
import { type TesterId, testerOf } from '~core/fluid/testers'
import type { Queries } from '~server/db/database.server'

export type NewReading = TakenReading & {
  id: string
  vehicleId: string
  jobId?: string
  takenOn: string
  by: string
  spec: FluidSpec
  product?: Product
  heightM: number
}

/** A reading with what it comes to. */
export async function insertReading(tx: Queries, reading: NewReading): Promise<void> {
  const { waterPct, boilingC, copperPpm } = testerOf(reading.tester).tell(reading.value, {
    pair: pairOf(reading.spec, reading.product),
    heightM: reading.heightM,
  })
  await tx.query(
    `insert into fluid_reading (id, vehicle_id, job_id, taken_on, tester, value, place, water_low, water_pct,
       water_high, boiling_c, copper_ppm, by_name)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
    [
      reading.id,
      reading.vehicleId,
      reading.jobId ?? null,
      reading.takenOn,
      reading.tester,
      reading.value,
      reading.at,
      waterPct?.low ?? null,
      waterPct?.likely ?? null,
      waterPct?.high ?? null,
      boilingC?.likely ?? null,
      copperPpm?.likely ?? null,
      reading.by,
    ],
  )
}

/** What is in a vehicle: as it was last exchanged, else as it calls for. */
export const specIn = async (tx: Queries, vehicleId: string): Promise<FluidSpec | undefined> =>
  (
    await tx.query<{ spec: FluidSpec }>(
      'select spec from fluid_exchange where vehicle_id = $1 order by done_on desc, id desc limit 1',
      [vehicleId],
    )
  )[0]?.spec

/** From that day on all of the fluid is another one. */
export async function insertExchange(
  tx: Queries,
  { id, vehicleId, jobId, doneOn, km, spec, by }: NewExchange,
): Promise<void> {
  await tx.query(
    'insert into fluid_exchange (id, vehicle_id, job_id, done_on, km, spec, by_name) values ($1, $2, $3, $4, $5, $6, $7)',
    [id, vehicleId, jobId ?? null, doneOn, km ?? null, spec, by],
  )
}

export type NewExchange = {
  id: string
  vehicleId: string
  jobId?: string
  doneOn: string
  km?: number
  spec: FluidSpec
  by: string
}

export type ReadingRow = {
  id: string
  job_id: string | null
  taken_on: string
  tester: TesterId
  value: number
  place: 'reservoir' | 'caliper'
  water_low: number | null
  water_pct: number | null
  water_high: number | null
  boiling_c: number | null
  copper_ppm: number | null
  by_name: string
}

export const readingsOf = (db: Queries, vehicleId: string): Promise<ReadingRow[]> =>
  db.query(
    `select id, job_id, taken_on, tester, value, place, water_low, water_pct, water_high, boiling_c, copper_ppm, by_name
     from fluid_reading where vehicle_id = $1 order by taken_on, id`,
    [vehicleId],
  )

export type ExchangeRow = {
  id: string
  job_id: string | null
  done_on: string
  km: number | null
  spec: FluidSpec
  by_name: string
}

export const exchangesOf = (db: Queries, vehicleId: string): Promise<ExchangeRow[]> =>
  db.query(
    'select id, job_id, done_on, km, spec, by_name from fluid_exchange where vehicle_id = $1 order by done_on, id',
    [vehicleId],
  )
