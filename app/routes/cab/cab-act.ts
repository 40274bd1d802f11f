import { z } from 'zod'
import { isCabAct } from '~core/cab/view'
import { linkHere, refused } from '~server/http/cab-link.server'
import { database } from '~server/http/context.server'
import type { Route } from './+types/cab-act'

const sentSchema = z.object({ id: z.string(), at: z.string(), act: z.string(), seen: z.unknown() })

/** One act of the cab. Whatever else a phone sends is the wheel's to do, and is refused. */
export async function action({ request, context }: Route.ActionArgs) {
  const link = await linkHere(context.get(database), request)
  let input: unknown
  try {
    input = JSON.parse(await request.text())
  } catch {
    return refused(400, 'not-json', 'Send JSON.')
  }
  const sent = sentSchema.safeParse(input)
  if (!sent.success) return refused(400, 'not-an-act', 'Not an act.')
  const { act } = sent.data
  if (!isCabAct(act)) return refused(403, 'not-the-cabs', 'That is the wheel’s to do, not the cab’s.')
  return link.act({ ...sent.data, act })
}
