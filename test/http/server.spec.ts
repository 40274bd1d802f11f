import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { connect } from 'node:net'
import { newId } from '~/lib/ids'
import { harbourTug } from '~test/worlds/harbour-tug'
import { expect, test } from './http'
import { goOn, jobOf, openedOn, planned, post, stateOf } from './job'
import { freePort } from './server'
import { personId, signIn } from './sign-in'

/** Start a second server and hear how it ends. */
async function startElsewhere(env: Record<string, string>) {
  const child = spawn(process.execPath, ['build/node/start.js'], { env: { ...process.env, ...env } })
  let said = ''
  child.stderr.on('data', (text: Buffer) => (said += text))
  const [code] = await once(child, 'exit')
  return { code, said }
}

test('a taken port and a locked data folder are one sentence each, without a stack, and a non-zero exit', async ({
  server,
}) => {
  const taken = await startElsewhere({ PORT: String(server.port), SIPHON_DATA: `${server.dataDir}-other` })
  expect(taken).toEqual({
    code: 1,
    said: `Port ${server.port} is taken: stop what uses it, or set PORT to another number.\n`,
  })
  const locked = await startElsewhere({ PORT: String(await freePort()), SIPHON_DATA: server.dataDir })
  expect(locked.code).toBe(1)
  expect(locked.said).toMatch(/^The data folder .* is in use by process \d+: [^\n]*\n$/)
})

test('SIGTERM ends it within two seconds, and what was recorded is there again', async ({
  server,
  request,
}) => {
  const before = await (await request.get('/')).text()
  const began = Date.now()
  await server.stop('SIGTERM')
  expect(Date.now() - began).toBeLessThan(2000)
  await server.run()
  const after = await (await request.get('/')).text()
  expect(after.match(/class="plate/g)?.length).toBe(before.match(/class="plate/g)?.length)
})

test.describe('a stranger on the network', () => {
  test('may not write from another page, send a huge body, or reach the shop by another name', async ({
    server,
    request,
  }) => {
    const elsewhere = await request.post('/settings', {
      headers: { Origin: 'http://evil.example' },
      form: { intent: 'theme', theme: 'dark' },
    })
    expect(elsewhere.status()).toBe(403)
    expect((await request.post('/settings', { form: { intent: 'theme', theme: 'dark' } })).status()).toBe(403)
    const huge = await request.post('/vehicles', {
      headers: { Origin: server.url },
      multipart: { plate: 'x'.repeat(1_200_000) },
    })
    expect(huge.status()).toBe(413)
    expect((await request.get('/', { headers: { Host: 'evil.example' } })).status()).toBe(421)
  })

  test('sees no stack, and headers that hold a page together', async ({ request }) => {
    const page = await request.get('/')
    expect(page.headers()['content-security-policy']).toContain("frame-ancestors 'none'")
    expect(page.headers()['x-content-type-options']).toBe('nosniff')
    expect(page.headers()['x-powered-by']).toBeUndefined()
    const missing = await request.get('/jobs/nobody')
    expect(missing.status()).toBe(404)
    expect(await missing.text()).not.toMatch(/at \w+ \(|\.ts:\d+/)
  })

  test('listens on this machine alone', async ({ server }) => {
    const socket = connect(server.port, '127.0.0.2')
    const refused = await new Promise((done) => {
      socket.once('error', () => done(true))
      socket.once('connect', () => done(false))
    })
    socket.destroy()
    expect(refused).toBe(true)
  })
})

test('an event sent twice is recorded once, one that cannot follow is refused with a sentence', async ({
  server,
  request,
}) => {
  const job = await jobOf(request)
  const send = (data: object) => request.post(`${job}/events`, { headers: { Origin: server.url }, data })
  const read = {
    id: 'level-in-a-journey-001',
    at: '2026-05-04T08:00:00.000Z',
    type: 'level-read',
    reservoir: 'reservoir',
    ml: 300,
  }
  const once = await (await send(read)).json()
  const twice = await (await send(read)).json()
  expect(twice).toEqual(once)
  const refused = await send({
    id: 'pressed-in-a-journey-1',
    at: '2026-05-04T08:00:01.000Z',
    type: 'call',
    act: 'press',
    // As a screen sends it: with the turn of the call that it saw.
    seen: { point: 'RL', call: 'open', pulls: 3, turn: (await stateOf(request, job)).callTurn ?? 0 },
  })
  expect(refused.status()).toBe(409)
  expect((await refused.json()).refusal.code).toBe('act-not-now')
  expect((await send({ type: 'nonsense' })).status()).toBe(400)
})

test('a hold that nobody waited for is refused by the server’s own clock, whatever the screen says', async ({
  request,
  server,
}) => {
  const asker = { client: request, url: server.url }
  const job = await planned(asker, harbourTug, 'HOLD 1', 'pump-and-hold')
  await goOn(asker, job)
  const sent = async (act: object) => {
    const answer = await request.post(`${job}/events`, {
      headers: { Origin: server.url },
      data: { ...act, id: newId(), at: new Date().toISOString() },
    })
    return answer.ok() ? undefined : (await answer.json()).refusal.code
  }
  const held = { type: 'check-proved', check: 'hold-light', passed: true, value: 0, heldS: 30, note: '' }
  for (const check of ['closed-up', 'pads-seated', 'pedal-high', 'three-presses'])
    expect(await sent({ type: 'check-proved', check, passed: true, value: 0, note: '' })).toBeUndefined()
  expect(await sent(held)).toBe('not-timed')
  expect(await sent({ type: 'timer-started', timer: 'hold-light' })).toBeUndefined()
  expect(await sent(held)).toBe('too-soon')
  // That it was kept for a while says nothing where its start was told at once.
  expect(await sent({ ...held, waitedS: 60 })).toBe('too-soon')
  await server.minuteOn()
  await expect.poll(() => sent(held)).toBeUndefined()
})

test('work done by somebody who has left the screen bears their name, and says who sent it', async ({
  request,
  server,
}) => {
  const job = await jobOf(request)
  const una = await personId(request, server.url, 'Una Brack')
  await signIn(request, server.url, 'Osk Teller')
  const send = (id: string, by: object | undefined) =>
    request.post(`${job}/events`, {
      headers: { Origin: server.url },
      data: { id, at: '2026-05-04T08:00:00.000Z', by, type: 'timer-started', timer: 'hold-light' },
    })
  await send('sent-by-another-person-1', { id: una, name: 'Somebody Famous' })
  await send('sent-by-a-stranger-00001', { id: 'nobody', name: 'Nobody' })
  await send('sent-without-any-name-01', undefined)
  const { events } = await (await request.get(`${job}/log.json`)).json()
  const [forUna, forNobody, unnamed] = events.slice(-3)
  expect(forUna).toMatchObject({ by: { name: 'Una Brack' }, sentBy: { name: 'Osk Teller' } })
  expect(forNobody.by.name).toBe('Osk Teller')
  expect(unnamed.by.name).toBe('Osk Teller')
  expect(events.every(({ atServer }: { atServer?: string }) => atServer !== undefined)).toBe(true)
})

test('a form made up so that its record could not be read again is not recorded, and the job goes on', async ({
  request,
  server,
}) => {
  const asker = { client: request, url: server.url }
  const job = await openedOn(asker, harbourTug, 'MADE UP')
  await post(asker, `${job}/check-in`, {
    form: { eventId: newId(), reason: 'service', colour: 'brown', fluidFound: 'as-specified' },
  })
  const tested = (eventId: string) =>
    request.post(`${job}/test`, {
      headers: { Origin: server.url },
      form: { eventId, tester: 'percent-meter', value: '2', at: 'reservoir' },
      maxRedirects: 0,
    })
  expect((await tested('short')).status()).toBe(409)
  expect((await tested(newId())).status()).toBe(302)
})
