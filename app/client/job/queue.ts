import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Fact } from '~core/base/decision'
import type { FloorEvent } from '~core/job/events'
import type { PendingStore } from './job-client'
import { STORE_NAME } from './store-name'

/** An act that the server did not record, and what it said. */
export type Aside = { event: FloorEvent; why: Fact }

/** Whose act it is: the plate tells a person which job that is where the job itself is not at hand. */
type Whose = { jobId: string; plate?: string }

/**
 * Events that this browser made and the server has not confirmed, per job, in the order they were made; and those that
 * it did not record, until a person is done with them.
 */
type Store = DBSchema & {
  pending: { key: number; value: Whose & { event: FloorEvent }; indexes: { byJob: string } }
  aside: { key: number; value: Whose & Aside; indexes: { byJob: string } }
}

/** What this browser has of one job. */
export type Left = Whose & { waiting: number; aside: number }

let opened: Promise<IDBPDatabase<Store>> | undefined
/** Opened once a page: an act that is shown is not kept yet, and every moment until it is counts. */
const open = (): Promise<IDBPDatabase<Store>> => {
  opened ??= openAnew().catch((fault) => {
    opened = undefined
    throw fault
  })
  return opened
}

const openAnew = () =>
  openDB<Store>(STORE_NAME, 3, {
    async upgrade(db, from, _to, changing) {
      if (from < 1) db.createObjectStore('pending', { autoIncrement: true }).createIndex('byJob', 'jobId')
      if (from < 2) db.createObjectStore('aside', { autoIncrement: true }).createIndex('byJob', 'jobId')
      if (from !== 2) return
      // Why it was set aside was kept as a sentence.
      const aside = changing.objectStore('aside')
      for (let cursor = await aside.openCursor(); cursor; cursor = await cursor.continue()) {
        const why: unknown = cursor.value.why
        if (typeof why === 'string')
          await cursor.update({ ...cursor.value, why: { code: 'said', text: why } })
      }
    },
    // A page of the newer program waits for this one to let go.
    blocking: (_from, _to, event) => {
      opened = undefined
      ;(event.target as IDBDatabase).close()
    },
    terminated: () => {
      opened = undefined
    },
  })

/** What one job keeps until the server has it: a reload or a flat battery loses nothing. */
export const pendingOf = (jobId: string, plate?: string): PendingStore => ({
  left: async () => (await (await open()).getAllFromIndex('pending', 'byJob', jobId)).map((row) => row.event),
  async keep(event) {
    await (await open()).add('pending', { jobId, plate, event })
  },
  drop: (eventId) => remove('pending', jobId, (id) => id === eventId),
  async setAside(event, why) {
    const { store } = (await open()).transaction('aside', 'readwrite')
    // Two pages may have sent it, and both been told.
    const already = await store.index('byJob').getAll(jobId)
    if (!already.some((row) => row.event.id === event.id)) await store.add({ jobId, plate, event, why })
  },
})

export const asideOf = async (jobId: string): Promise<Aside[]> =>
  (await open()).getAllFromIndex('aside', 'byJob', jobId)

/** A person has seen to them. */
export const doneWith = (jobId: string, eventIds: readonly string[]): Promise<void> =>
  remove('aside', jobId, (id) => eventIds.includes(id))

/** The jobs that this browser has something of. */
export async function left(): Promise<Left[]> {
  const db = await open()
  const jobs = new Map<string, Left>()
  for (const kind of ['waiting', 'aside'] as const)
    for (const { jobId, plate } of await db.getAll(kind === 'waiting' ? 'pending' : 'aside')) {
      const job = jobs.get(jobId) ?? { jobId, plate, waiting: 0, aside: 0 }
      jobs.set(jobId, { ...job, plate: job.plate ?? plate, [kind]: job[kind] + 1 })
    }
  return [...jobs.values()]
}

async function remove(from: 'pending' | 'aside', jobId: string, which: (eventId: string) => boolean) {
  const { store } = (await open()).transaction(from, 'readwrite')
  for (let cursor = await store.index('byJob').openCursor(jobId); cursor; cursor = await cursor.continue())
    if (which(cursor.value.event.id)) await cursor.delete()
}
