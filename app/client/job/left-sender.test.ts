import 'fake-indexeddb/auto'
import { deleteDB } from 'idb'
import { afterEach, expect, test } from 'vitest'
import { newId } from '~/lib/ids'
import { type FloorEvent, versionOf } from '~core/job/events'
import { Log } from '~test/worlds/log'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { LeftSender } from './left-sender'
import { asideOf, doneWith, left, pendingOf } from './queue'
import type { Answer } from './send'

const begun = () =>
  ScriptedJob.planned(vehicleFrom(carFile(fourCorners)), { reason: 'service' }, ['two-person'], 200).state
const topUp = (ml: number): FloorEvent => ({
  type: 'topped-up',
  ...versionOf('topped-up'),
  reservoir: 'res',
  ml,
  id: newId(),
  at: new Date().toISOString(),
})
const inMl = ({ state }: Log) => state.run?.stages[0]?.tally.inMl

const senders: LeftSender[] = []
afterEach(async () => {
  for (const sender of senders.splice(0)) sender.end()
  await deleteDB('ruddy-siphon')
})

type Answers = {
  left?: typeof left
  tended?: (jobId: string) => boolean
  send?: (event: FloorEvent) => Answer | undefined
}

/** What sends what is left over to the logs of some jobs, which may answer something else. */
function senderTo(
  logs: Record<string, Log>,
  { left: leftOf = left, tended = () => false, send }: Answers = {},
) {
  const logOf = (jobId: string) => logs[jobId] as Log
  const sender = new LeftSender(
    {
      left: leftOf,
      storeOf: ({ jobId, plate }) => pendingOf(jobId, plate),
      wireOf: (jobId) => ({
        send: async (event) => send?.(event) ?? logOf(jobId).take(event),
        sendMany: async (events) => {
          const stopped = events.findIndex((event) => send?.(event))
          if (stopped === 0) return { kind: 'one-by-one' }
          return logOf(jobId).takeMany(stopped === -1 ? events : events.slice(0, stopped))
        },
      }),
      tended,
    },
    1,
  )
  senders.push(sender)
  return sender
}

test('what jobs left in this browser is sent without their pages, each to its own', async () => {
  const logs = { a: new Log(begun()), b: new Log(begun()) }
  for (const ml of [10, 20]) await pendingOf('a', 'GNT 1').keep(topUp(ml))
  await pendingOf('b', 'GNT 2').keep(topUp(5))
  const sender = senderTo(logs)
  await sender.begin()
  expect([inMl(logs.a), inMl(logs.b)]).toEqual([30, 5])
  expect(await left()).toEqual([])
  expect(sender.snapshot().jobs).toEqual([
    { jobId: 'a', plate: 'GNT 1', waiting: 0, aside: 0, sent: 2 },
    { jobId: 'b', plate: 'GNT 2', waiting: 0, aside: 0, sent: 1 },
  ])
})

test('without an answer it says so and tries again, and nothing is counted twice', async () => {
  const log = new Log(begun())
  const [first, second] = [topUp(10), topUp(20)]
  for (const event of [first, second]) await pendingOf('a').keep(event)
  // The first was recorded; its answer was lost.
  log.take(first)
  let back = false
  const sender = senderTo({ a: log }, { send: () => (back ? undefined : { kind: 'no-answer' }) })
  const sending = sender.begin()
  await expect.poll(() => sender.snapshot().link).toBe('offline')
  expect(sender.snapshot().jobs).toMatchObject([{ waiting: 2, sent: 0 }])
  back = true
  await sending
  expect(inMl(log)).toBe(30)
  expect(sender.snapshot()).toMatchObject({ link: 'sending', jobs: [{ waiting: 0, sent: 2 }] })
})

test('what is refused is set aside with its reason, once, and what follows it is sent', async () => {
  const log = new Log(begun())
  const [first, refused, last] = [topUp(10), topUp(20), topUp(5)]
  for (const event of [first, refused, last]) await pendingOf('a').keep(event)
  // The job's own page was told too, as it was left.
  await pendingOf('a').setAside(refused, { code: 'job-parked' })
  const sender = senderTo(
    { a: log },
    {
      send: (event) =>
        event.id === refused.id ? { kind: 'refused', why: { code: 'job-parked' } } : undefined,
    },
  )
  await sender.begin()
  expect(inMl(log)).toBe(15)
  expect(await asideOf('a')).toMatchObject([{ event: { id: refused.id }, why: { code: 'job-parked' } }])
  expect(sender.snapshot().jobs).toMatchObject([{ waiting: 0, aside: 1, sent: 2 }])
  await doneWith('a', [refused.id])
  expect(await left()).toEqual([])
})

test('what was sent is told until the next page begins anew', async () => {
  await pendingOf('a').keep(topUp(10))
  const sender = senderTo({ a: new Log(begun()) })
  await sender.begin()
  expect(sender.snapshot().jobs).toMatchObject([{ sent: 1 }])
  await pendingOf('a').keep(topUp(20))
  const told: number[] = []
  sender.subscribe(() => told.push(...sender.snapshot().jobs.map(({ sent }) => sent)))
  await sender.begin()
  expect(told).toEqual([0, 1])
})

test('a job whose page is open sends its acts itself', async () => {
  const log = new Log(begun())
  await pendingOf('a').keep(topUp(10))
  const sender = senderTo({ a: log }, { tended: (jobId) => jobId === 'a' })
  await sender.begin()
  expect(sender.snapshot().jobs).toEqual([])
  expect((await left()).map(({ waiting }) => waiting)).toEqual([1])
  expect(inMl(log)).toBe(0)
})

test('one that is ended while it waits sends nothing more; begun anew it does', async () => {
  const log = new Log(begun())
  await pendingOf('a').keep(topUp(10))
  let back = false
  const sender = senderTo({ a: log }, { send: () => (back ? undefined : { kind: 'no-answer' }) })
  const sending = sender.begin()
  await expect.poll(() => sender.snapshot().link).toBe('offline')
  sender.end()
  back = true
  await sending
  expect(inMl(log)).toBe(0)
  await sender.begin()
  expect(inMl(log)).toBe(10)
})

test('a browser whose own store fails is said, with what was last known, and tried again', async () => {
  const log = new Log(begun())
  await pendingOf('a').keep(topUp(10))
  let fails = false
  let tries = 0
  const sender = senderTo(
    { a: log },
    {
      left: async () => {
        if (fails) throw new Error('the disk is gone')
        return left()
      },
      send: () => {
        fails = tries++ === 0
        return fails ? { kind: 'no-answer' } : undefined
      },
    },
  )
  const sending = sender.begin()
  await expect.poll(() => sender.snapshot().why?.code).toBe('browser-store-fails')
  fails = false
  await sending
  expect(inMl(log)).toBe(10)
})
