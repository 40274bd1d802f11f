import { request as api } from '@playwright/test'
import { expect, test } from './http'
import { HeardStream } from './stream'

/** What a helper's phone shows at the beginning of a practice. */
const view = {
  plate: 'PRACTICE',
  bay: '',
  says: 'wait',
  maySlip: false,
  wheel: 'getting-ready',
  pedal: 'brake',
  namesPedal: false,
  pumps: 0,
  stroke: 'near-bottom',
  length: 5,
  turn: 0,
}
const press = {
  ...view,
  says: 'press',
  confirm: 'holding',
  seen: { point: 'RR', call: 'pressing', pulls: 0, turn: 1 },
  length: 6,
  turn: 1,
}

test('a helper’s phone is called, answers, and is told when the practice is left; nothing else comes in by its code', async ({
  request,
  server,
}) => {
  const headers = { Origin: server.url }
  const { id, cab } = await (await request.post('/practice/rooms', { headers, data: view })).json()
  const room = `${server.url}/practice/rooms/${id}`
  const page = await HeardStream.open(`${room}/stream`, request)
  const phone = await api.newContext({ baseURL: server.url, extraHTTPHeaders: headers })
  const join = (code: string) => phone.post('/cab', { form: { code }, maxRedirects: 0 })
  expect((await join('222222')).status()).toBe(404)
  expect((await join(cab.code)).headers().location).toBe('/cab/screen')
  await page.heard(({ event, data }) => event === 'phone' && (data as { link: string }).link === 'linked')
  const shown = await HeardStream.open(`${server.url}/cab/stream`, phone)
  expect((await request.post(`/practice/rooms/${id}`, { headers, data: press })).status()).toBe(204)
  await shown.heard(({ event, data }) => event === 'view' && (data as { says: string }).says === 'press')
  const said = { id: 'a', at: new Date().toISOString(), act: 'holding', seen: press.seen }
  expect((await phone.post('/cab/act', { data: said })).status()).toBe(200)
  expect((await page.heard(({ event }) => event === 'act')).data).toEqual({
    act: 'holding',
    seen: press.seen,
  })
  // The wheel's acts are the wheel's, and a phone of a practice sees no job.
  expect((await phone.post('/cab/act', { data: { ...said, act: 'closed' } })).status()).toBe(403)
  expect((await phone.post('/cab/act', { data: { ...said, seen: { point: 1 } } })).status()).toBe(400)
  expect((await phone.get('/', { maxRedirects: 0 })).status()).toBe(302)
  // Another phone takes no code that was used.
  expect((await join(cab.code)).status()).toBe(404)
  await request.post(`/practice/rooms/${id}?ends`, { headers })
  await shown.heard(({ event }) => event === 'gone')
  expect((await request.post(`/practice/rooms/${id}`, { headers, data: press })).status()).toBe(404)
  page.close()
  await phone.dispose()
})

test('what no phone could show is refused, and nobody opens a room who is not signed in', async ({
  request,
  server,
}) => {
  const headers = { Origin: server.url }
  for (const data of ['no json', {}, { ...view, says: '<b>press</b>' }, { ...view, more: 1 }])
    expect((await request.post('/practice/rooms', { headers, data })).status()).toBe(400)
  const nobody = await api.newContext({ baseURL: server.url, extraHTTPHeaders: headers })
  const answer = await nobody.post('/practice/rooms', { data: view, maxRedirects: 0 })
  expect([answer.status(), answer.headers().location]).toEqual([302, '/who?to=%2F'])
  await nobody.dispose()
})
