import { type DBSchema, openDB } from 'idb'
import type { FloorEvent } from '~core/run/events'

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

/** Keep an event until the server has it: a reload or a flat battery loses nothing. */
export async function keepPending(jobId: string, event: FloorEvent): Promise<void> {
  await (await open()).add('pending', { jobId, event })
}

export async function pendingEvents(jobId: string): Promise<FloorEvent[]> {
  return (await (await open()).getAllFromIndex('pending', 'byJob', jobId)).map((row) => row.event)
}

/** Let go of an event the server has answered for. */
export async function dropPending(jobId: string, eventId: string): Promise<void> {
  const { store } = (await open()).transaction('pending', 'readwrite')
  for (let cursor = await store.index('byJob').openCursor(jobId); cursor; cursor = await cursor.continue())
    if (cursor.value.event.id === eventId) await cursor.delete()
}
