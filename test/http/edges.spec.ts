import { newId } from '~/lib/ids'
import van from '../../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { expect, test } from './http'
import { jobOf, openedOn } from './job'
import { personId } from './sign-in'

// Everything here is asked of the built server by plain requests: what holds whatever page is shown.

/** An act that a screen might send, whatever stands. */
const parked = (more: { why: string; at?: string; by?: object }) => ({
  id: newId(),
  at: new Date().toISOString(),
  type: 'parked',
  standsOpen: [],
  machineOn: false,
  pedalPropped: false,
  note: '',
  ...more,
})

test.describe('at every edge', () => {
  test('NUL and half a character are refused by path: in an act, a vehicle file, a form, an address', async ({
    request,
    server,
  }) => {
    const job = await jobOf(request)
    const headers = { Origin: server.url }
    const act = parked({ why: 'a\u0000b' })
    const answer = await request.post(`${job}/events`, { headers, data: act })
    expect(answer.status()).toBe(400)
    expect((await answer.json()).refusal.text).toMatch(/^why: .*no text/)
    const file = JSON.stringify({ ...van, name: 'Half \ud800' })
    const imported = await request.post('/vehicles', {
      headers,
      multipart: {
        intent: 'import',
        plate: 'EDG 1',
        file: { name: 'van.json', mimeType: 'application/json', buffer: Buffer.from(file) },
      },
    })
    expect(imported.status()).toBe(400)
    const form = { intent: 'add', name: 'Mo\u0000', pin: '1284' }
    expect((await request.post('/people', { headers, form })).status()).toBe(400)
    expect((await request.get('/jobs/%00')).status()).toBe(400)
  })

  test('the same act sent twice is recorded once; another act under its number is a conflict', async ({
    request,
    server,
  }) => {
    const job = await openedOn({ client: request, url: server.url }, van)
    const headers = { Origin: server.url }
    const act = parked({ why: 'the ferry waits' })
    const length = async (data: object) => {
      const answer = await request.post(`${job}/events`, { headers, data })
      return answer.ok() ? (await answer.json()).length : (await answer.json()).refusal.code
    }
    const once = await length(act)
    expect(typeof once).toBe('number')
    expect(await length({ ...act, waitedS: 40 })).toBe(once)
    expect(await length({ ...act, why: 'something else' })).toBe('another-act')
  })

  test('a list of acts is recorded in one go, up to one that cannot be; too long a one is not begun', async ({
    request,
    server,
  }) => {
    const job = await openedOn({ client: request, url: server.url }, van)
    const send = async (data: object) => {
      const answer = await request.post(`${job}/events`, { headers: { Origin: server.url }, data })
      return { status: answer.status(), ...(await answer.json()) }
    }
    const list = [
      parked({ why: 'the ferry waits' }),
      { ...parked({ why: 'lunch' }), type: 'sung' },
      parked({ why: 'rain' }),
    ]
    expect(await send(list)).toMatchObject({ status: 200, taken: 1, length: 2 })
    expect(await send(list.slice(1))).toMatchObject({ status: 200, taken: 0, length: 2 })
    const many = Array.from({ length: 201 }, () => parked({ why: 'rain' }))
    expect(await send(many)).toMatchObject({ status: 413, refusal: { code: 'too-many' } })
  })

  test('an act of a clock that is years off bears the server’s time, and what the screen said; one in another’s name says who sent it', async ({
    request,
    server,
  }) => {
    const job = await openedOn({ client: request, url: server.url }, van)
    const headers = { Origin: server.url }
    const by = { id: await personId(request, server.url, 'Ilse Marrow'), name: 'Somebody else' }
    const act = parked({ why: 'lunch', at: '2031-01-01T00:00:00.000Z', by })
    const answer = await request.post(`${job}/events`, { headers, data: act })
    expect(await answer.text()).toContain('length')
    const log = JSON.stringify(await (await request.get(`${job}/log.json`)).json())
    expect(log).toContain('"screenAt":"2031-01-01T00:00:00.000Z"')
    expect(log).not.toContain('"at":"2031')
    expect(log).toContain('"sentBy"')
    expect(log).not.toContain('Somebody else')
  })

  test('a file with circuit names as long as they may be opens a job that answers', async ({
    request,
    server,
  }) => {
    const circuit = 'x'.repeat(60)
    const lines = van.lines.map(({ id: _id, ...line }: { id?: string } & (typeof van.lines)[number]) => ({
      ...line,
      circuit,
    }))
    const job = await openedOn({ client: request, url: server.url }, { ...van, lines })
    expect((await request.get(job)).status()).toBe(200)
  })

  test('every answer says of which build it is', async ({ request }) => {
    expect((await request.get('/')).headers()['x-siphon-build']).toMatch(/^[0-9a-f]{12}$/)
  })
})
