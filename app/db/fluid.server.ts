import { newId } from '~/lib/ids'
import { dayIn } from '~/lib/zone'
import { pairOf } from '~core/fluid/judge'
import type { HardUseId } from '~core/fluid/policy/hard-use'
import type { Product, TakenReading } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'
import { type TesterId, testerOf } from '~core/fluid/testers'
import { bleedsAll } from '~core/job/learned/bleeds-all'
import { fluidIn } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import type { Database, Queries } from './database.server'
import { workOutDue } from './due.server'

const dayOf = (iso: string) => dayIn(new Date(iso))

type NewReading = TakenReading & {
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
async function insertReading(tx: Queries, reading: NewReading): Promise<void> {
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
const specIn = async (tx: Queries, vehicleId: string): Promise<FluidSpec | undefined> =>
  (
    await tx.query<{ spec: FluidSpec }>(
      'select spec from fluid_exchange where vehicle_id = $1 order by done_on desc, id desc limit 1',
      [vehicleId],
    )
  )[0]?.spec

/**
 * Write what a job says of its vehicle's fluid anew: its readings, its odometer, and whether all of the fluid was
 * exchanged. In the transaction of the events it comes from.
 */
export async function showInFluid(
  tx: Queries,
  jobId: string,
  before: JobState | undefined,
  state: JobState,
): Promise<void> {
  const { tested, checkIn, filed, vehicleId } = state
  const same =
    before &&
    before.tested === tested &&
    before.checkIn === checkIn &&
    before.filed === filed &&
    before.vehicleId === vehicleId
  if (same) return
  for (const table of ['fluid_reading', 'fluid_exchange', 'odometer_reading'])
    await tx.query(`delete from ${table} where job_id = $1`, [jobId])
  if (checkIn?.odometerKm !== undefined)
    await tx.query('insert into odometer_reading (job_id, vehicle_id, read_on, km) values ($1, $2, $3, $4)', [
      jobId,
      vehicleId,
      dayOf(state.openedAt),
      checkIn.odometerKm,
    ])
  if (tested) {
    const spec = (await specIn(tx, vehicleId)) ?? state.vehicle.fluid.spec
    for (const [i, reading] of (tested.readings ?? []).entries())
      await insertReading(tx, {
        ...reading,
        id: `${tested.id} ${i}`,
        vehicleId,
        jobId,
        takenOn: dayOf(tested.at),
        by: tested.by?.name ?? '',
        spec,
        product: tested.product,
        heightM: tested.heightM ?? 0,
      })
    const moved = before !== undefined && before.vehicleId !== vehicleId
    // What was read off a data sheet is of the fluid that was tested; of the vehicle it was booked on by mistake nobody knows it.
    if (moved && tested.product)
      await tx.query('update vehicle set product = null where id = $1', [before.vehicleId])
    if (moved || before?.tested !== tested)
      await tx.query('update vehicle set product = $2 where id = $1', [
        vehicleId,
        tested.product ? JSON.stringify(tested.product) : null,
      ])
  }
  if (filed && !before?.filed) {
    await tx.query('update vehicle set promised_on = $2 where id = $1', [
      vehicleId,
      filed.nextDueByHand ? (filed.nextDue ?? null) : null,
    ])
    if (filed.outcome === 'fit' && bleedsAll(state)) await exchangedBy(tx, jobId, state)
  }
  const vehicles = new Set([vehicleId, ...(before ? [before.vehicleId] : [])])
  await workOutDue(tx, [...vehicles], dayOf(state.lastAt))
}

/** All of the fluid is another one from that day on. */
async function exchangedBy(tx: Queries, jobId: string, { filed, ...state }: JobState): Promise<void> {
  await tx.query(
    'insert into fluid_exchange (id, vehicle_id, job_id, done_on, km, spec, by_name) values ($1, $2, $3, $4, $5, $6, $7)',
    [
      filed?.id,
      state.vehicleId,
      jobId,
      dayOf(filed?.at ?? state.lastAt),
      state.checkIn?.odometerKm ?? null,
      fluidIn(state),
      filed?.doneBy ?? '',
    ],
  )
  await tx.query('update vehicle set product = null where id = $1', [state.vehicleId])
}

/** A reading from before, or from outside a job, as somebody writes it down. */
export const addReading = (
  db: Database,
  vehicleId: string,
  reading: Omit<NewReading, 'id' | 'vehicleId' | 'jobId'>,
  today: string,
): Promise<void> =>
  db.transaction(async (tx) => {
    const spec = (await specIn(tx, vehicleId)) ?? reading.spec
    await insertReading(tx, { ...reading, spec, id: newId(), vehicleId })
    await workOutDue(tx, [vehicleId], today)
  })

/** An exchange from before, or from another shop. */
export const addExchange = (
  db: Database,
  vehicleId: string,
  { doneOn, km, spec, by }: { doneOn: string; km?: number; spec: FluidSpec; by: string },
  today: string,
): Promise<void> =>
  db.transaction(async (tx) => {
    await tx.query(
      'insert into fluid_exchange (id, vehicle_id, done_on, km, spec, by_name) values ($1, $2, $3, $4, $5, $6)',
      [newId(), vehicleId, doneOn, km ?? null, spec, by],
    )
    await workOutDue(tx, [vehicleId], today)
  })

/** What a vehicle is put through. */
export const saveHardUse = (
  db: Database,
  vehicleId: string,
  hardUse: readonly HardUseId[],
  today: string,
): Promise<void> =>
  db.transaction(async (tx) => {
    await tx.query('update vehicle set hard_use = $2 where id = $1', [vehicleId, JSON.stringify(hardUse)])
    await workOutDue(tx, [vehicleId], today)
  })

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
