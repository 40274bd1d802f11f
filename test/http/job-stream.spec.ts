import type { APIRequestContext } from '@playwright/test'
import { newId } from '~/lib/ids'
import van from '../../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { expect, test } from './http'
import { openedOn, record } from './job'
import type { DemoServer } from './server'
import { HeardStream, type Told } from './stream'

/** Record something at a job, whatever stands there. @returns its id */
const recordNote = async (client: APIRequestContext, { url }: DemoServer, job: string): Promise<string> =>
  (await record({ client, url }, job, { type: 'taken-off', thing: 'connector', where: newId() })).event.id
const idOf = ({ data }: Told): string => (data as { event: { id: string } }).event.id

test('a screen that was cut off is told what it missed, in its order and nothing twice; then what comes', async ({
  request,
  server,
}) => {
  const job = await openedOn({ client: request, url: server.url }, van)
  const first = await HeardStream.open(`${server.url}${job}/stream?have=0`, request)
  const one = await recordNote(request, server, job)
  const { id: place } = await first.heard((told) => told.event === 'recorded' && idOf(told) === one)
  first.close()
  const missed = [await recordNote(request, server, job), await recordNote(request, server, job)]
  const again = await HeardStream.open(`${server.url}${job}/stream?have=${place}`, request)
  const later = await recordNote(request, server, job)
  await again.heard((told) => told.event === 'recorded' && idOf(told) === later)
  expect(again.of('recorded').map(idOf)).toEqual([...missed, later])
  again.close()
})

test('what a stream tells at once is what the log holds of it', async ({ request, server }) => {
  const job = await openedOn({ client: request, url: server.url }, van)
  const live = await HeardStream.open(`${server.url}${job}/stream?have=0`, request)
  const id = await recordNote(request, server, job)
  const isIt = (told: Told) => told.event === 'recorded' && idOf(told) === id
  const atOnce = await live.heard(isIt)
  const later = await HeardStream.open(`${server.url}${job}/stream?have=0`, request)
  expect(await later.heard(isIt)).toEqual(atOnce)
  live.close()
  later.close()
})

test('an act reaches every stream of its job, and none of another job', async ({ request, server }) => {
  const [job, other] = [
    await openedOn({ client: request, url: server.url }, van),
    await openedOn({ client: request, url: server.url }, van),
  ]
  const streams = await Promise.all(
    Array.from({ length: 40 }, () => HeardStream.open(`${server.url}${job}/stream?have=0`, request)),
  )
  const elsewhere = await HeardStream.open(`${server.url}${other}/stream?have=0`, request)
  const id = await recordNote(request, server, job)
  await Promise.all(
    streams.map((stream) => stream.heard((told) => told.event === 'recorded' && idOf(told) === id)),
  )
  await elsewhere.heard(({ event }) => event === 'phone')
  expect(elsewhere.of('recorded').map(idOf)).not.toContain(id)
  for (const stream of [...streams, elsewhere]) stream.close()
})

test('a stream says by each beat how far it told, and of which build its server is', async ({
  request,
  server,
}) => {
  const job = await openedOn({ client: request, url: server.url }, van)
  const live = await HeardStream.open(`${server.url}${job}/stream?have=0`, request)
  const id = await recordNote(request, server, job)
  const { id: place } = await live.heard((told) => told.event === 'recorded' && idOf(told) === id)
  const beat = (told: Told) => told.event === 'beat' && (told.data as { told: number }).told === Number(place)
  const { data } = await live.heard(beat)
  const build = (await request.get(`${job}/events`)).headers()['x-siphon-build']
  expect(data).toEqual({ told: Number(place), build })
  live.close()
})

test('a stream is nobody’s who is not signed in, and of no job that there is not', async ({
  request,
  server,
}) => {
  const job = await openedOn({ client: request, url: server.url }, van)
  await expect(HeardStream.open(`${server.url}${job}/stream`)).rejects.toThrow(/answered 401/)
  await expect(HeardStream.open(`${server.url}/jobs/none/stream`, request)).rejects.toThrow(/answered 404/)
})
