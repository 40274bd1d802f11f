import { dayIn } from '~/lib/zone'
import type { Person } from '~core/job/events'
import type { Database } from '~server/db/database.server'
import { appendEvents } from '~server/services/append.server'
import { addExchange, addReading, saveHardUse } from '~server/services/fluid-history.server'
import { openJob } from '~server/services/open-job.server'
import { addPerson } from '~server/store/people.server'
import { shopSettings } from '~server/store/settings.server'
import { addContainers, saveShelfSettings } from '~server/store/shelf.server'
import { findVehicle, importVehicle } from '~server/store/vehicles.server'
import { history } from './history'
import { demoPeople } from './people'
import { earlier } from './readings'
import { delivery } from './shelf'
import { eventsOfStory } from './story'

const DAY_MS = 86_400_000

const files = import.meta.glob<string>(
  [
    './vehicles/*.json',
    '../core/vehicle/examples/{school-minibus,mountain-rescue,hybrid-taxi,farm-quad}.json',
  ],
  { query: '?raw', import: 'default', eager: true },
)

/** What each invented vehicle carries on its back. */
const plates: Record<string, string> = {
  'post-van-lhd': 'GNT 107',
  'post-van-rhd': 'GNT 212',
  'courier-motorcycle': 'SKU 30',
  charabanc: 'MRM 61',
  'school-minibus': 'PUF 18',
  'mountain-rescue': 'GNT 33',
  'hybrid-taxi': 'TRN 5',
  'farm-quad': 'SKU 77',
}

/**
 * Fill a new shop with the invented one: its vehicles through the same reader as any import, its jobs through the
 * same events as any day's work.
 */
export async function loadDemoWorld(
  db: Database,
  now: Date,
  known: readonly { name: string; pin: string }[] = demoPeople,
): Promise<void> {
  const ids = new Map<string, string>()
  for (const [path, text] of Object.entries(files)) {
    const name = path.replace(/^.*\//, '').replace(/\.json$/, '')
    const imported = await importVehicle(db, text, { plate: plates[name] ?? '' })
    if (!imported.ok)
      throw new Error(`demo vehicle ${name}: ${imported.faults[0]?.path} ${imported.faults[0]?.message}`)
    ids.set(name, imported.value.id)
  }
  const people: Person[] = []
  for (const { name, pin } of known) {
    const added = await addPerson(db, name, pin, people[0])
    if (!added.ok) throw new Error(`demo person ${name}: ${added.fault.text}`)
    people.push(added.person)
  }
  const [by, checker] = people
  if (!by || !checker) throw new Error('the demo world needs two people')
  const shop = await shopSettings(db)
  for (const story of history) {
    const stored = await findVehicle(db, ids.get(story.vehicle) ?? '')
    if (!stored) throw new Error(`demo story of an unknown vehicle ${story.vehicle}`)
    const openedAt = new Date(now.getTime() - story.daysAgo * DAY_MS)
    const jobId = await openJob(db, stored, openedAt.toISOString(), { by })
    const told = eventsOfStory(story, stored, shop, openedAt, { by, checker })
    const appended = await appendEvents(db, jobId, told)
    if (!appended.ok) throw new Error(`demo story of ${story.vehicle}: ${appended.refusal.text}`)
  }
  await writeDownEarlier(db, ids, now, by.name)
  await fillShelf(db, now, by.name)
}

async function fillShelf(db: Database, now: Date, by: string): Promise<void> {
  await saveShelfSettings(db, { rule: 'thirty-days', money: 'gd', drumMl: 10_000 })
  for (const { openedDaysAgo, ...containers } of delivery) {
    const openedOn =
      openedDaysAgo === undefined ? undefined : dayIn(new Date(now.getTime() - openedDaysAgo * DAY_MS))
    const added = await addContainers(db, { ...containers, openedOn }, by)
    if (!added.ok) throw new Error(`demo shelf: ${added.fault}`)
  }
}

/** What was read and exchanged before this program's time, the oldest first as it was written down. */
async function writeDownEarlier(
  db: Database,
  ids: ReadonlyMap<string, string>,
  now: Date,
  by: string,
): Promise<void> {
  const dayBefore = (daysAgo: number) => dayIn(new Date(now.getTime() - daysAgo * DAY_MS))
  const today = dayBefore(0)
  for (const { vehicle, hardUse, exchanges, readings } of earlier) {
    const stored = await findVehicle(db, ids.get(vehicle) ?? '')
    if (!stored) throw new Error(`demo readings of an unknown vehicle ${vehicle}`)
    const { id, vehicle: file } = stored
    for (const { daysAgo, km, spec } of exchanges)
      await addExchange(db, id, { doneOn: dayBefore(daysAgo), km, spec, by }, today)
    for (const { daysAgo, at = 'reservoir', ...reading } of readings)
      await addReading(
        db,
        id,
        { ...reading, at, takenOn: dayBefore(daysAgo), by, spec: file.fluid.spec, heightM: 0 },
        today,
      )
    if (hardUse) await saveHardUse(db, id, hardUse, today)
  }
}
