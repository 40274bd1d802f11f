import { expect, test, vi } from 'vitest'
import { newId } from '~/lib/ids'
import { applyEvent } from '~core/job/apply'
import { type FloorEvent, versionOf } from '~core/job/events'
import { Log } from '~test/worlds/log'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { type FloorAct, JobClient, type JobWire, type PendingStore } from './job-client'
import type { Answer, AnswerToMany } from './send'

/** A server that takes no lists. */
const sendMany = async (): Promise<AnswerToMany> => ({ kind: 'one-by-one' })
const memory = (aside: string[] = []): PendingStore => {
  const events = new Map<string, FloorEvent>()
  return {
    left: async () => [...events.values()],
    keep: async (event) => void events.set(event.id, event),
    drop: async (id) => void events.delete(id),
    setAside: async (event) => void aside.push(event.type),
  }
}
const begun = () =>
  ScriptedJob.planned(vehicleFrom(carFile(fourCorners)), { reason: 'service' }, ['two-person'], 200).state
const topUp = { type: 'topped-up', reservoir: 'res', ml: 40 } as const
const saved = (client: JobClient) =>
  new Promise<void>((done) => {
    const look = () => client.snapshot().link === 'saved' && done()
    client.subscribe(look)
  })

test('an act whose answer is lost is sent again under the same id, and counted once', async () => {
  const log = new Log(begun())
  let lost = 3
  const send = async (event: FloorEvent): Promise<Answer> => {
    const answer = log.take(event)
    return lost-- > 0 ? { kind: 'no-answer' } : answer
  }
  const client = new JobClient(log.state, { send, sendMany, newer: async () => log.state }, memory(), 1)
  client.act(topUp)
  await saved(client)
  expect(client.snapshot().state).toEqual(log.state)
  expect(log.state.run?.stages[0]?.tally.inMl).toBe(40)
})

test('an act counts as kept once the store has it, and not when it is shown', async () => {
  const log = new Log(begun())
  let has = () => {}
  const store = { ...memory(), keep: () => new Promise<void>((kept) => (has = kept)) }
  const wire = {
    send: async (): Promise<Answer> => ({ kind: 'no-answer' }),
    sendMany,
    newer: async () => log.state,
  }
  const client = new JobClient(log.state, wire, store, 1)
  client.act(topUp)
  expect(client.snapshot()).toMatchObject({ waiting: 1, keeping: true })
  has()
  await vi.waitFor(() => expect(client.snapshot()).toMatchObject({ waiting: 1, keeping: false, keeps: true }))
  client.end()
})

test('an act of its own that the stream tells before the answer comes is not counted twice', async () => {
  const log = new Log(begun())
  const client: JobClient = new JobClient(
    log.state,
    {
      async send(event) {
        const answer = log.take(event)
        client.hear(log.state.length, event)
        expect(client.snapshot().state.run?.stages[0]?.tally.inMl).toBe(40)
        return answer
      },
      sendMany,
      newer: async () => log.state,
    },
    memory(),
    1,
  )
  client.act(topUp)
  await saved(client)
  expect(client.snapshot()).toMatchObject({ waiting: 0, state: { run: log.state.run } })
})

test('what only the shelf’s book knows of a pour is on the screen that sent it too', async () => {
  const can = { spec: 'DOT 4', batch: 'B1', code: 'F0000000' } as const
  const opened = {
    id: 'opened-before-the-pour',
    at: '2026-05-04T09:00:00.000Z',
    type: 'container-opened',
  } as const
  const applied = applyEvent(begun(), { ...opened, container: can })
  if (!applied.ok) throw new Error(applied.refusal.code)
  const log = new Log(applied.state)
  const send = async (event: FloorEvent): Promise<Answer> => ({ ...log.take(event), beyondMl: 40 }) as Answer
  const client = new JobClient(log.state, { send, sendMany, newer: async () => log.state }, memory(), 1)
  client.act(topUp)
  await saved(client)
  expect(client.snapshot().state.containers).toMatchObject([{ code: can.code, beyondMl: 40 }])
})

test('what an earlier page left unsent is sent in its order by the next one', async () => {
  const log = new Log(begun())
  const store = memory()
  const silent = {
    send: async (): Promise<Answer> => ({ kind: 'no-answer' }),
    sendMany,
    newer: async () => undefined,
  }
  const first = new JobClient(log.state, silent, store, 1)
  first.act(topUp)
  first.act({ type: 'level-read', reservoir: 'res', ml: 150 })
  await expect.poll(async () => (await store.left()).length).toBe(2)
  first.end()
  const wire = { send: async (event: FloorEvent) => log.take(event), sendMany, newer: async () => log.state }
  const next = new JobClient(log.state, wire, store, 1)
  const done = saved(next)
  await next.begin()
  await done
  expect(log.state.run?.levelMl.res).toBe(150)
  expect(await store.left()).toEqual([])
})

/** A screen that made acts while there was no answer, and what it sends to the server that is back. */
async function afterAnOutage(
  acts: readonly FloorAct[],
  answers: (log: Log) => Pick<JobWire, 'send' | 'sendMany'> = (log) => ({
    send: async (event) => log.take(event),
    sendMany: async (events) => log.takeMany(events),
  }),
) {
  const log = new Log(begun())
  const { send, sendMany } = answers(log)
  const told: string[] = []
  let back = false
  const wire: JobWire = {
    send: async (event) => {
      if (!back) return { kind: 'no-answer' }
      told.push(event.type)
      return send(event)
    },
    sendMany: async (events) => {
      if (!back) return { kind: 'no-answer' }
      told.push(events.map(({ type }) => type).join(' + '))
      return sendMany(events)
    },
    newer: async () => log.state,
  }
  const client = new JobClient(log.state, wire, memory(), 1)
  for (const act of acts) client.act(act)
  await expect.poll(() => client.snapshot().link).toBe('offline')
  const done = saved(client)
  back = true
  await done
  return { client, log, told }
}
const levelRead = { type: 'level-read', reservoir: 'res', ml: 150 } as const

test('what has gathered while nobody answered leaves in one request', async () => {
  const { client, log, told } = await afterAnOutage([topUp, levelRead, topUp])
  expect(told).toEqual(['topped-up + level-read + topped-up'])
  expect(client.snapshot().state).toEqual(log.state)
  expect(log.state.run?.stages[0]?.tally.inMl).toBe(80)
})

test('where one of many is refused, those before it are saved, it is said why, and those after it are sent', async () => {
  const { client, log, told } = await afterAnOutage([topUp, levelRead, topUp], (log) => ({
    sendMany: async (events) => {
      const upTo = events.findIndex(({ type }) => type === 'level-read')
      return log.takeMany(upTo === -1 ? events : events.slice(0, upTo))
    },
    send: async (event) =>
      event.type === 'level-read'
        ? { kind: 'refused', why: { code: 'job-filed' }, state: log.state }
        : log.take(event),
  }))
  expect(told).toEqual([
    'topped-up + level-read + topped-up',
    'level-read + topped-up',
    'level-read',
    'topped-up',
  ])
  expect(client.snapshot()).toMatchObject({ refusal: { code: 'job-filed' }, waiting: 0 })
  expect(client.snapshot().state).toEqual(log.state)
  expect(log.state.run?.stages[0]?.tally.inMl).toBe(80)
})

test('many whose answer is lost are sent again, and counted once', async () => {
  let lost = true
  const { client, log } = await afterAnOutage([topUp, topUp], (log) => ({
    send: async (event) => log.take(event),
    sendMany: async (events) => {
      const answer = log.takeMany(events)
      const heard = !lost
      lost = false
      return heard ? answer : { kind: 'no-answer' }
    },
  }))
  expect(client.snapshot().state).toEqual(log.state)
  expect(log.state.run?.stages[0]?.tally.inMl).toBe(80)
})

test('an act that waited for the server says how long, the state remembers it, and one that went at once says nothing', async () => {
  vi.useFakeTimers({ now: Date.parse('2026-05-04T08:00:00Z'), toFake: ['Date'] })
  const log = new Log(begun())
  let back = false
  const send = async (event: FloorEvent): Promise<Answer> => (back ? log.take(event) : { kind: 'no-answer' })
  const client = new JobClient(log.state, { send, sendMany, newer: async () => log.state }, memory(), 1)
  client.act(topUp)
  await expect.poll(() => client.snapshot().link).toBe('offline')
  vi.setSystemTime(Date.parse('2026-05-04T08:31:00Z'))
  client.act({ type: 'level-read', reservoir: 'res', ml: 150 })
  const done = saved(client)
  back = true
  await done
  expect(log.state.late).toEqual({
    acts: 1,
    from: '2026-05-04T08:00:00.000Z',
    to: '2026-05-04T08:00:00.000Z',
    longestS: 31 * 60,
  })
  expect(client.snapshot().state).toEqual(log.state)
  vi.useRealTimers()
})

test('what the server cannot read is set aside, and what follows it is sent', async () => {
  const log = new Log(begun())
  const aside: string[] = []
  let first = true
  const send = async (event: FloorEvent): Promise<Answer> => {
    if (!first) return log.take(event)
    first = false
    return { kind: 'unread', why: { code: 'not-an-event' } }
  }
  const client = new JobClient(log.state, { send, sendMany, newer: async () => log.state }, memory(aside), 1)
  client.act(topUp)
  client.act({ ...topUp, ml: 25 })
  await saved(client)
  expect(aside).toEqual(['topped-up'])
  expect(client.snapshot()).toMatchObject({ aside: 1, waiting: 0 })
  expect(log.state.run?.stages[0]?.tally.inMl).toBe(25)
})

test('an act that is refused long after it was done, or once its page is left, stays to be read with its reason', async () => {
  vi.useFakeTimers({ now: Date.parse('2026-05-04T08:00:00Z'), toFake: ['Date'] })
  const aside: string[] = []
  const log = new Log(begun())
  const refused: Answer = { kind: 'refused', why: { code: 'job-parked' }, state: log.state }
  let answer: Answer = refused
  let leaves = false
  const send = async () => {
    if (leaves) client.end()
    return answer
  }
  const wire = { send, sendMany, newer: async () => log.state }
  const client: JobClient = new JobClient(log.state, wire, memory(aside), 1)
  client.act(topUp)
  await saved(client)
  expect(aside).toEqual([])
  answer = { kind: 'no-answer' }
  client.act(levelRead)
  await expect.poll(() => client.snapshot().link).toBe('offline')
  vi.setSystemTime(Date.parse('2026-05-04T08:01:00Z'))
  answer = refused
  await saved(client)
  expect(aside).toEqual(['level-read'])
  leaves = true
  client.act(topUp)
  await expect.poll(() => aside).toEqual(['level-read', 'topped-up'])
  vi.useRealTimers()
})

test('a page of another build goes by its own acts, and takes over no state that it may not understand', async () => {
  const log = new Log(begun())
  let stale = false
  const wire = {
    send: async (event: FloorEvent) => log.take(event),
    sendMany,
    newer: async () => log.state,
    stale: () => stale,
  }
  const client = new JobClient(log.state, wire, memory(), 1)
  stale = true
  client.adopt({ ...log.state, plate: 'OTHER', length: log.state.length + 5 })
  expect(client.snapshot().state.plate).not.toBe('OTHER')
  client.act(topUp)
  await saved(client)
  expect(client.snapshot().state.run?.stages[0]?.tally.inMl).toBe(40)
})

test('what another screen did is told apart from its own, and one that missed something asks again at the next beat', async () => {
  const log = new Log(begun())
  let reached = false
  const wire = {
    send: async (event: FloorEvent) => log.take(event),
    sendMany,
    newer: async () => (reached ? log.state : undefined),
  }
  const client = new JobClient(log.state, wire, memory(), 1)
  client.act(topUp)
  await saved(client)
  expect(client.snapshot().elsewhere.place).toBe(0)
  const by = { id: newId(), name: 'Ilse Marrow' }
  const theirs = () => {
    const event = { ...topUp, ...versionOf('topped-up'), id: newId(), at: '2026-05-04T09:00:00.000Z', by }
    log.take(event)
    return event
  }
  theirs()
  const second = theirs()
  client.hear(log.state.length, second)
  client.told(log.state.length)
  await expect.poll(() => client.have).toBe(log.state.length - 2)
  reached = true
  client.told(log.state.length)
  await expect.poll(() => client.snapshot().state).toEqual(log.state)
  expect(client.snapshot().elsewhere).toEqual({ place: log.state.length })
  const third = theirs()
  client.hear(log.state.length, third)
  expect(client.snapshot().elsewhere).toEqual({ place: log.state.length, by: 'Ilse Marrow' })
})
