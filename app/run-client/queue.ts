import { type DBSchema, openDB } from 'idb'
import type { FloorEvent } from '~core/job/events'
import type { PendingStore } from './job-client'

/** Events that this browser made and the server has not confirmed, per job, in the order they were made. */
type Store = DBSchema & {
  pending: { key: number; value: { jobId: string; event: FloorEvent }; indexes: { byJob: string } }
}

const open = () =>
  openDB<Store>('ruddy-siphon', 1, {
    upgrade(db) {
      db.createObjectStore('pending', { autoIncrement: true }).createIndex('byJob', 'jobId')
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
})
