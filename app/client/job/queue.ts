import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { FloorEvent } from '~core/job/events'
import type { PendingStore } from './job-client'

/** An act that the server could not read, and what it said. */
export type Aside = { event: FloorEvent; why: string }

/**
 * Events that this browser made and the server has not confirmed, per job, in the order they were made; and those that
 * it could not read, which nobody deletes.
 */
type Store = DBSchema & {
  pending: { key: number; value: { jobId: string; event: FloorEvent }; indexes: { byJob: string } }
  aside: { key: number; value: Aside & { jobId: string }; indexes: { byJob: string } }
}

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
  openDB<Store>('ruddy-siphon', 2, {
    upgrade(db, from) {
      if (from < 1) db.createObjectStore('pending', { autoIncrement: true }).createIndex('byJob', 'jobId')
      db.createObjectStore('aside', { autoIncrement: true }).createIndex('byJob', 'jobId')
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
export const pendingOf = (jobId: string): PendingStore => ({
  left: async () => (await (await open()).getAllFromIndex('pending', 'byJob', jobId)).map((row) => row.event),
  async keep(event) {
    await (await open()).add('pending', { jobId, event })
  },
  async drop(eventId) {
    const { store } = (await open()).transaction('pending', 'readwrite')
    for (let cursor = await store.index('byJob').openCursor(jobId); cursor; cursor = await cursor.continue())
      if (cursor.value.event.id === eventId) await cursor.delete()
  },
  async setAside(event, why) {
    await (await open()).add('aside', { jobId, event, why })
  },
})

export const asideOf = async (jobId: string): Promise<Aside[]> =>
  (await open()).getAllFromIndex('aside', 'byJob', jobId)
