import { data } from 'react-router'
import { readTester } from '~server/devices/read-tester.server'
import { database } from '~server/http/context.server'
import { linesOfJson } from '~server/http/lines-of-json.server'
import { devicePort } from '~server/store/device-ports.server'
import type { Route } from './+types/tester-read'

/** Takes a reading from the shop's tester: what it says as lines of JSON, as it says them. */
export async function action({ request, context }: Route.ActionArgs) {
  const port = await devicePort(context.get(database), 'tester')
  if (port === undefined)
    throw data({ sentence: 'This shop has no tester on a port: see Shop.' }, { status: 404 })
  return linesOfJson(readTester(port, request.signal))
}
