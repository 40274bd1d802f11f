import 'fake-indexeddb/auto'
import { deleteDB, openDB } from 'idb'
import { afterEach, expect, test } from 'vitest'
import { asideOf, left, pendingOf } from './queue'

const event = { id: 'an-act-0123456789', at: '2026-05-04T08:00:00.000Z', type: 'of-another-time' }

// Whoever has it open lets go of it.
afterEach(() => deleteDB('ruddy-siphon'))

test('what an earlier release kept is there in this one, why it was set aside too', async () => {
  const before = await openDB('ruddy-siphon', 2, {
    upgrade(db) {
      for (const name of ['pending', 'aside'])
        db.createObjectStore(name, { autoIncrement: true }).createIndex('byJob', 'jobId')
    },
  })
  await before.add('pending', { jobId: 'a', event })
  await before.add('aside', { jobId: 'a', event, why: 'Not an event.' })
  before.close()
  expect(await pendingOf('a').left()).toEqual([event])
  expect(await asideOf('a')).toMatchObject([{ event, why: { text: 'Not an event.' } }])
  expect(await left()).toMatchObject([{ jobId: 'a', waiting: 1, aside: 1 }])
})
