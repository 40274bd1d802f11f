import { data } from 'react-router'
import { database } from '~/context'
import { devicePort } from '~/db/device-ports.server'
import { readTester } from '~/lib/read-tester.server'
import type { Route } from './+types/tester-read'

/** Takes a reading from the shop's tester: what it says as lines of JSON, as it says them. */
export async function action({ request, context }: Route.ActionArgs) {
  const port = await devicePort(context.get(database), 'tester')
  if (port === undefined)
    throw data({ sentence: 'This shop has no tester on a port: see Shop.' }, { status: 404 })
  const said = readTester(port, request.signal)
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async pull(stream) {
      const { value, done } = await said.next()
      if (done) stream.close()
      else stream.enqueue(encoder.encode(`${JSON.stringify(value)}\n`))
    },
    async cancel() {
      await said.return(undefined)
    },
  })
  // Held back to be compressed, the lines would all come at the end.
  return new Response(body, {
    headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store, no-transform' },
  })
}
