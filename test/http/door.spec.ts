import { mkdtempSync, statSync } from 'node:fs'
import { request as httpRequest } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { hash } from '@node-rs/argon2'
import type { APIRequestContext } from '@playwright/test'
import { expect, test } from './http'
import { jobOf } from './job'
import { DemoServer } from './server'
import { personId, signIn } from './sign-in'

// Everything here is asked of the built server by plain requests: what holds whatever page is shown.

const STRANGER = '127.0.0.9'

/** A form sent from another address of this machine. */
const postFrom = (
  server: DemoServer,
  from: string,
  form: Record<string, string>,
): Promise<{ status: number; text: string }> =>
  new Promise((done, failed) => {
    const body = new URLSearchParams(form).toString()
    const asked = httpRequest(
      `${server.url}/who`,
      {
        method: 'POST',
        localAddress: from,
        headers: {
          Origin: server.url,
          'Content-Type': 'application/x-www-form-urlencoded',
          'Content-Length': Buffer.byteLength(body),
        },
      },
      (answer) => {
        let text = ''
        answer.on('data', (part) => (text += part))
        answer.on('end', () => done({ status: answer.statusCode ?? 0, text }))
      },
    )
    asked.on('error', failed)
    asked.end(body)
  })

test('a connection is kept for as long as somebody looks before they act', async ({ request }) => {
  const kept = (await request.get('/', { headers: { Connection: 'keep-alive' } })).headers()['keep-alive']
  expect(Number(/timeout=(\d+)/.exec(kept ?? '')?.[1])).toBeGreaterThan(60)
})

test.describe('at the door', () => {
  test('a redirect goes only to this origin, however it is written', async ({ request, server }) => {
    const person = await personId(request, server.url, 'Una Brack')
    for (const to of [
      '//evil.example/',
      '/\t/evil.example',
      '/\\evil.example',
      'https://evil.example',
      '/\n/evil.example',
    ]) {
      const { status } = await postFrom(server, '127.0.0.1', { person, pin: '4107', to })
      expect(status).toBe(302)
      const page = await (await request.get(`/who?to=${encodeURIComponent(to)}`)).text()
      expect(page).toContain('name="to" value="/"')
    }
  })

  test('a stranger’s wrong PINs lock the stranger out, and not the person; every one is logged', async ({
    request,
    server,
  }) => {
    const person = await personId(request, server.url, 'Ilse Marrow')
    let last = { status: 0, text: '' }
    for (let i = 0; i < 6; i++) last = await postFrom(server, STRANGER, { person, pin: '0000' })
    expect(last.text).toContain('locked here for 5 min')
    expect((await postFrom(server, '127.0.0.1', { person, pin: '3095' })).status).toBe(302)
    expect(server.said).toMatch(/"from":"127\.0\.0\.9".*not let in/)
  })

  test('a colleague unlocks somebody who locked themselves out', async ({ request, server }) => {
    const person = await personId(request, server.url, 'Osk Teller')
    for (let i = 0; i < 5; i++) await postFrom(server, '127.0.0.3', { person, pin: '0001' })
    expect((await postFrom(server, '127.0.0.3', { person, pin: '2816' })).status).toBe(400)
    const unlocked = await request.post('/people', {
      headers: { Origin: server.url },
      form: { intent: 'unlock', person },
    })
    expect(unlocked.status()).toBe(200)
    expect((await postFrom(server, '127.0.0.3', { person, pin: '2816' })).status).toBe(302)
  })

  test('a PIN that anybody would try is refused', async ({ request, server }) => {
    for (const pin of ['1234', '9876', '0000', '1212']) {
      const form = { intent: 'add', name: `Nobody ${pin}`, pin }
      expect((await request.post('/people', { headers: { Origin: server.url }, form })).status()).toBe(400)
    }
  })

  test('a phone that claims to show what it was never sent opens nothing: it counts as showing nothing', async ({
    request,
    playwright,
    server,
  }) => {
    const job = await jobOf(request)
    const phone = await playwright.request.newContext({
      baseURL: server.url,
      extraHTTPHeaders: { Origin: server.url },
    })
    const joined = await phone.post('/cab', {
      form: { code: await codeFor(request, server, job) },
      maxRedirects: 0,
    })
    expect(joined.status()).toBe(302)
    await phone.post('/cab/beat?shows=999999')
    expect(await phoneSeen(request, server, job)).toContain('"shows":0')
    await phone.dispose()
  })

  test('a cab code works once; who held the cab before is told at once', async ({ playwright }) => {
    const server = await DemoServer.start()
    const client = await playwright.request.newContext({
      baseURL: server.url,
      extraHTTPHeaders: { Origin: server.url },
    })
    await signIn(client, server.url)
    const job = await jobOf(client)
    const phones = await Promise.all(
      [1, 2].map(() =>
        playwright.request.newContext({ baseURL: server.url, extraHTTPHeaders: { Origin: server.url } }),
      ),
    )
    const [first, second] = phones
    const join = async (phone: APIRequestContext | undefined, code: string) =>
      (await phone?.post('/cab', { form: { code }, maxRedirects: 0 }))?.status()
    const code = await codeFor(client, server, job)
    expect(await join(first, code)).toBe(302)
    expect(await join(second, code)).toBe(404)
    const displaced = first?.get('/cab/stream').then((answer) => answer.text())
    expect(await join(second, await codeFor(client, server, job))).toBe(302)
    expect(await displaced).toContain('event: gone')
    for (const each of [client, ...phones]) await each.dispose()
    await server.end()
  })

  test('what a screen is shown ends when whoever was at it leaves', async ({
    request,
    playwright,
    server,
  }) => {
    const job = await jobOf(request)
    const screen = await playwright.request.newContext({
      baseURL: server.url,
      extraHTTPHeaders: { Origin: server.url },
    })
    await signIn(screen, server.url)
    const stream = screen.get(`${job}/stream`).then((answer) => answer.text())
    await phoneSeen(request, server, job)
    await screen.post('/who', { form: { intent: 'leave' }, maxRedirects: 0 })
    expect(await stream).toContain('event: phone')
    await screen.dispose()
  })

  test('a PIN of before that anybody guesses still opens, and leads to another', async ({ playwright }) => {
    const server = await DemoServer.start()
    await server.stop()
    const store = await PGlite.create(join(server.dataDir, 'pg'))
    await store.query('update person set pin_hash = $1 where name = $2', [await hash('1111'), 'Ilse Marrow'])
    await store.close()
    await server.run()
    const client = await playwright.request.newContext({ extraHTTPHeaders: { Origin: server.url } })
    const comeIn = async (pin: string) => {
      const form = { person: await personId(client, server.url, 'Ilse Marrow'), pin, to: '/logbook' }
      return (await client.post(`${server.url}/who`, { form, maxRedirects: 0 })).headers().location
    }
    expect(await comeIn('1111')).toBe('/people?easy-pin')
    const page = await (await client.get(`${server.url}/people?easy-pin`)).text()
    expect(page).toContain('choose another')
    // What somebody was led here for comes first.
    expect(page.indexOf('New PIN')).toBeLessThan(page.indexOf('Add somebody'))
    await client.post(`${server.url}/people`, { form: { intent: 'pin', pin: '1111', next: '7351' } })
    expect(await comeIn('7351')).toBe('/logbook')
    await client.dispose()
    await server.end()
  })

  test('the data are their owner’s alone, and so is the key', async ({ server }) => {
    expect(statSync(server.dataDir).mode & 0o777).toBe(0o700)
    expect(statSync(`${server.dataDir}.key`).mode & 0o777).toBe(0o600)
  })

  test('the first person of a new shop needs the code from the console; on the network the demo’s people have new PINs', async () => {
    const empty = await DemoServer.start(mkdtempSync(join(tmpdir(), 'siphon-')), { demo: false })
    const form = { intent: 'first', name: 'Mo Kettle', pin: '1284' }
    expect((await postFrom(empty, '127.0.0.1', { ...form, code: 'ABCDEF' })).text).toContain('not the code')
    expect((await postFrom(empty, '127.0.0.1', { ...form, code: empty.firstCode })).status).toBe(302)
    await empty.end()
    const lan = await DemoServer.start(undefined, { lan: true })
    expect(lan.newPinOf('Una Brack')).toMatch(/^\d{4}$/)
    const person = /name="person"[^>]*value="(\w+)"[^>]*>\s*<span[^>]*>Una Brack/.exec(
      await (await fetch(`${lan.url}/who`)).text(),
    )?.[1]
    expect((await postFrom(lan, '127.0.0.1', { person: person ?? '', pin: '4107' })).status).toBe(400)
    await lan.end()
  })
})

/** Make a code at the bay, and read it there. */
async function codeFor(client: APIRequestContext, server: DemoServer, job: string): Promise<string> {
  await client.post(`${job}/cab`, {
    headers: { Origin: server.url },
    form: { intent: 'link' },
    maxRedirects: 0,
  })
  const page = await (await client.get(`${job}/bleed.data`)).text()
  return /"([2-9A-Z]{6})"/.exec(page)?.[1] ?? ''
}

/** What a bay is told of its phone first. */
async function phoneSeen(client: APIRequestContext, server: DemoServer, job: string): Promise<string> {
  const { cookies } = await client.storageState()
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
  const cut = new AbortController()
  const answer = await fetch(`${server.url}${job}/stream`, { headers: { cookie }, signal: cut.signal })
  let said = ''
  const reader = answer.body?.getReader()
  while (reader && !/event: phone\ndata: .*\n/.test(said))
    said += new TextDecoder().decode((await reader.read()).value)
  cut.abort()
  return said
}
