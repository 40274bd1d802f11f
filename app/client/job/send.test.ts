import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { BUILD_HEADER } from '~/lib/build'
import type { FloorEvent } from '~core/job/events'
import { otherBuild } from './other-build'
import { newerState, sendEvent, sendEvents } from './send'

/** A server of a later release: what it answers has another shape than this page knows. */
let answers: { status: number; body: object }
const server = createServer((request, response) => {
  request.resume()
  response.writeHead(answers.status, { [BUILD_HEADER]: 'later', 'Content-Type': 'application/json' })
  response.end(JSON.stringify(answers.body))
})
beforeAll(() => once(server.listen(0, '127.0.0.1'), 'listening'))
afterAll(() => server.close())

const way = () => ({
  fetch: (path: RequestInfo | URL, init?: RequestInit) =>
    fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}${path}`, init),
  patienceMs: 5000,
})
const act = { type: 'plate-confirmed', id: 'an-act-0123456789', at: '2026-05-04T08:00:00.000Z' } as FloorEvent
const send = (status: number, body: object) => {
  answers = { status, body }
  return sendEvent('job', act, way())
}

test('a later server that answers in another shape: nothing is taken for done, nothing for refused, and the page knows', async () => {
  expect(await send(200, { recorded: { at: 12 } })).toMatchObject({ kind: 'not-now' })
  expect(await send(409, { no: 'because' })).toMatchObject({ kind: 'not-now' })
  expect(await send(503, {})).toMatchObject({ kind: 'not-now' })
  expect(otherBuild()).toBe('later')
})

test('a later server that refuses is heard, and its state of another shape is not taken over', async () => {
  const refusal = { code: 'gone-on', text: 'Somebody went on.' }
  expect(await send(409, { refusal, state: { chapters: [] } })).toEqual({
    kind: 'refused',
    why: refusal,
    state: undefined,
  })
})

test('a list goes one by one where the server takes none of it, or answers in another shape', async () => {
  answers = { status: 200, body: { taken: 1, length: 7 } }
  const taken = { kind: 'taken', taken: 1, length: 7, beyondMl: {} }
  expect(await sendEvents('job', [act, act], way())).toEqual(taken)
  for (const [status, body] of [
    [400, { refusal: { code: 'not-an-event' } }],
    [413, { refusal: { code: 'too-many' } }],
    [200, { taken: 0, length: 6 }],
    [200, { recorded: 2 }],
  ] as const) {
    answers = { status, body }
    expect(await sendEvents('job', [act, act], way())).toEqual({ kind: 'one-by-one' })
  }
})

test('what a later server says of the job is left for the page that is loaded anew', async () => {
  answers = { status: 200, body: { state: { chapters: [] } } }
  expect(await newerState('job', 3, way())).toBeUndefined()
})
