import type { APIRequestContext } from '@playwright/test'
import type { DemoServer } from './server'

/** The open job of the demo on a vehicle, as the yard links it. */
export async function jobOf(client: APIRequestContext, plate = 'GNT 107'): Promise<string> {
  const html = await (await client.get('/')).text()
  return new RegExp(`href="(/jobs/\\w+)"[^>]*>(?:(?!</a>).)*${plate}`, 's').exec(html)?.[1] ?? ''
}

/** Import a vehicle file and open a job on it. */
export async function openedOn(
  client: APIRequestContext,
  server: DemoServer,
  vehicle: object,
): Promise<string> {
  const headers = { Origin: server.url }
  const file = {
    name: 'van.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(vehicle)),
  }
  const imported = await client.post('/vehicles', {
    headers,
    multipart: { plate: 'EDG 2', file },
    maxRedirects: 0,
  })
  const opened = await client.post(imported.headers().location ?? '', { headers, form: {}, maxRedirects: 0 })
  return (opened.headers().location ?? '').replace(/\/check-in$/, '')
}
