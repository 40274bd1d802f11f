import { randomBytes, randomInt } from 'node:crypto'
import { CAB_CODE_LENGTH, cabCodeFrom } from '~core/cab/code'
import { pinFault } from '~core/door/pin'
import type { Database } from '~server/db/database.server'
import { listPeople, resetPin } from '~server/store/people.server'
import { demoPeople } from '../demo/people'

/**
 * Who can come in at first, as lines for the console: a new shop's first person needs a code from here, and the
 * invented people have PINs that anybody may know, which on a network are none.
 *
 * @param shared whether others than this machine can reach the program
 */
export async function firstPeople(
  db: Database,
  { demo, shared }: { demo: boolean; shared: boolean },
): Promise<string[]> {
  const people = await listPeople(db)
  if (people.length === 0) {
    const code = cabCodeFrom([...randomBytes(CAB_CODE_LENGTH)])
    // The pages are a bundle of their own: what they need of the start is in the environment.
    process.env.SIPHON_FIRST_CODE = code
    return [`Nobody is known here yet. The first person’s code: ${code}`]
  }
  if (!demo || !shared) return []
  const said: string[] = []
  for (const { name } of demoPeople) {
    const pin = newPin()
    if ((await resetPin(db, name, pin)) === undefined) said.push(`${name}: PIN ${pin}`)
  }
  return said
}

/** A PIN that nobody would try first. */
function newPin(): string {
  for (;;) {
    const pin = String(randomInt(10_000)).padStart(4, '0')
    if (pinFault(pin) === undefined) return pin
  }
}
