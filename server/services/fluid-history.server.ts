import { newId } from '~/lib/ids'
import { dayIn } from '~/lib/zone'
import type { HardUseId } from '~core/fluid/policy/hard-use'
import { bleedsAll } from '~core/job/learned/bleeds-all'
import { fluidIn } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import type { Database, Queries } from '~server/db/database.server'
import {
  insertExchange,
  insertReading,
  type NewExchange,
  type NewReading,
  specIn,
} from '~server/store/fluid.server'
import { workOutDue } from './work-out-due.server'

const dayOf = (iso: string) => dayIn(new Date(iso))

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
  if (!filed) return
  await insertExchange(tx, {
    id: filed.id,
    vehicleId: state.vehicleId,
    jobId,
    doneOn: dayOf(filed.at),
    km: state.checkIn?.odometerKm,
    spec: fluidIn(state),
    by: filed.doneBy ?? '',
  })
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
  exchange: Omit<NewExchange, 'id' | 'vehicleId' | 'jobId'>,
  today: string,
): Promise<void> =>
  db.transaction(async (tx) => {
    await insertExchange(tx, { ...exchange, id: newId(), vehicleId })
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
