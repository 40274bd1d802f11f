import { type Condemned, dueOf, type FluidDue } from '~core/fluid/due'
import { judgeFluid, pairOf } from '~core/fluid/judge'
import { type LimitsInUse, limitsFor, type Policy } from '~core/fluid/policy/policy'
import { bleedsAll } from '~core/job/learned/bleeds-all'
import { bleedDone, fluidIn } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import type { Database, Queries } from '~server/db/database.server'
import { keepDue } from '~server/store/due.server'
import { type FluidNow, fluidNow } from '~server/store/fluid-histories.server'
import { shopPolicy } from '~server/store/policy.server'

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
  await keepDue(tx, vehicleIds, rows, today)
}

/** So many vehicles at a time that no other page waits long: the database shares the server's one thread. */
const AT_ONCE = 50

/** Work out every vehicle's day again, after the policy has changed. */
export async function workOutAllDue(db: Database, today: string): Promise<void> {
  const ids = (await db.query<{ id: string }>('select id from vehicle order by id')).map(({ id }) => id)
  for (let from = 0; from < ids.length; from += AT_ONCE)
    await db.transaction((tx) => workOutDue(tx, ids.slice(from, from + AT_ONCE), today))
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
