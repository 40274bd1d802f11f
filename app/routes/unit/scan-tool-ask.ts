import { data } from 'react-router'
import { z } from 'zod'
import { askScanTool } from '~server/devices/ask-scan-tool.server'
import { database } from '~server/http/context.server'
import { linesOfJson } from '~server/http/lines-of-json.server'
import { devicePort } from '~server/store/device-ports.server'
import type { Route } from './+types/scan-tool-ask'

const word = z.string().regex(/^[a-z-]{1,40}$/)
const askedSchema = z.discriminatedUnion('ask', [
  z.object({ ask: z.literal('read') }),
  z.object({ ask: z.literal('clear') }),
  z.object({ ask: z.literal('calibrate'), what: z.string().min(1).max(80) }),
  z.object({ ask: z.literal('run'), routine: word, until: word }),
  z.object({ ask: z.literal('actuate'), what: word }),
])

/** Asks the shop's scan tool one thing: what it says as lines of JSON, as it says them. */
export async function action({ request, context }: Route.ActionArgs) {
  const asked = askedSchema.safeParse(await request.json().catch(() => undefined))
  if (!asked.success) throw data({ sentence: 'Nothing that a scan tool is asked.' }, { status: 400 })
  const port = await devicePort(context.get(database), 'scan-tool')
  if (port === undefined)
    throw data({ sentence: 'This shop has no scan tool on a port: see Shop.' }, { status: 404 })
  return linesOfJson(askScanTool(port, asked.data, request.signal))
}
