import { once } from 'node:events'
import type { AddressInfo } from 'node:net'
import { writeReadableStreamToWritable } from '@react-router/node'
import compression from 'compression'
import express from 'express'
import { expect, test } from 'vitest'
import { oneDrain } from './one-drain'

const CHUNKS = 60
const CHUNK = Uint8Array.from({ length: 40_000 }, (_, i) => (i * 7919) % 251)

/** What Node warns of while a long page is read, and how much of it came. */
async function readLongPage(...around: express.RequestHandler[]) {
  const warned: string[] = []
  const hear = ({ name }: Error) => warned.push(name)
  process.on('warning', hear)
  const app = express().use(compression(), ...around)
  app.get('/', (_request, response) => {
    response.type('text/html')
    let left = CHUNKS
    const body = new ReadableStream({
      pull: (out) => (left-- > 0 ? out.enqueue(CHUNK) : out.close()),
    })
    void writeReadableStreamToWritable(body, response)
  })
  const server = app.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const page = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`)
  const bytes = (await page.arrayBuffer()).byteLength
  // A warning is told on the next turn.
  await new Promise(setImmediate)
  process.off('warning', hear)
  server.close()
  return { bytes, warned }
}

test('a long page that is compressed comes whole, and its waits do not pile up', async () => {
  expect(await readLongPage(oneDrain)).toEqual({ bytes: CHUNKS * CHUNK.length, warned: [] })
})

test('without it they do', async () => {
  expect((await readLongPage()).warned).toEqual(['MaxListenersExceededWarning'])
})
