import type { Database } from '~/db/database.server'
import { appendEvents, openJob } from '~/db/jobs.server'
import { addPerson } from '~/db/people.server'
import { shopSettings } from '~/db/settings.server'
import { findVehicle, importVehicle } from '~/db/vehicles.server'
import type { Person } from '~core/run/events'
import { history } from './history'
import { demoPeople } from './people'
import { eventsOfStory } from './story'

const files = import.meta.glob<string>('./vehicles/*.json', { query: '?raw', import: 'default', eager: true })

/** What each invented vehicle carries on its back. */
const plates: Record<string, string> = {
  'post-van-lhd': 'GNT 107',
  'post-van-rhd': 'GNT 212',
  'courier-motorcycle': 'SKU 30',
  charabanc: 'MRM 61',
}

/**
 * Fill a new shop with the invented one: its vehicles through the same reader as any import, its jobs through the
 * same events as any day's work.
 */
export async function loadDemoWorld(db: Database, now: Date): Promise<void> {
  const ids = new Map<string, string>()
  for (const [path, text] of Object.entries(files)) {
    const name = path.replace(/^.*\//, '').replace(/\.json$/, '')
    const imported = await importVehicle(db, text, { plate: plates[name] ?? '' })
    if (!imported.ok)
      throw new Error(`demo vehicle ${name}: ${imported.faults[0]?.path} ${imported.faults[0]?.message}`)
    ids.set(name, imported.value.id)
  }
  const people: Person[] = []
  for (const { name, pin } of demoPeople) {
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
    const openedAt = new Date(now.getTime() - story.daysAgo * 86_400_000)
    const jobId = await openJob(db, stored, openedAt.toISOString(), { by })
    const told = eventsOfStory(story, stored, shop, openedAt, { by, checker })
    const appended = await appendEvents(db, jobId, told)
    if (!appended.ok) throw new Error(`demo story of ${story.vehicle}: ${appended.refusal.text}`)
  }
}
