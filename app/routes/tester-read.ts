import { data } from 'react-router'
import { database } from '~/context'
import { devicePort } from '~/db/device-ports.server'
import { linesOfJson } from '~/lib/lines-of-json.server'
import { readTester } from '~/lib/read-tester.server'
import type { Route } from './+types/tester-read'

/** Takes a reading from the shop's tester: what it says as lines of JSON, as it says them. */
export async function action({ request, context }: Route.ActionArgs) {
  const port = await devicePort(context.get(database), 'tester')
  if (port === undefined)
    throw data({ sentence: 'This shop has no tester on a port: see Shop.' }, { status: 404 })
  return linesOfJson(readTester(port, request.signal))
}
