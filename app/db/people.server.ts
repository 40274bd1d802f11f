import { hash, verify } from '@node-rs/argon2'
import { newId } from '~/lib/ids'
import type { Person } from '~core/job/events'
import type { Database, Queries } from './database.server'
import { hashed, newToken } from './token.server'

/** Argon2id at the least that is advised for it: 19 MiB, two passes. @source OWASP password storage, from memory */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }
/** Wrong PINs in a row that lock; each further such row doubles the wait. */
const TRIES = 5
const FIRST_LOCK_MIN = 5
const LONGEST_LOCK_MIN = 12 * 60
/** A screen forgets who is at it after a long shift, or the next day's work would bear yesterday's name. */
const SHIFT_HOURS = 14

export const listPeople = (db: Queries): Promise<Person[]> =>
  db.query('select id, name from person where left_at is null order by name')

export async function findPerson(db: Queries, id: string): Promise<Person | undefined> {
  const [row] = await db.query<Person>('select id, name from person where id = $1', [id])
  return row
}

/** Add somebody. The first is added by whoever stands there; after that only `by` somebody who is signed in. */
/** Why somebody could not be added, or a PIN was not taken. */
export type PinFault = { code: string; text: string }

export async function addPerson(
  db: Database,
  name: string,
  pin: string,
  by?: Person,
): Promise<{ ok: true; person: Person } | { ok: false; fault: PinFault }> {
  const person = { id: newId(), name }
  const notFirst = async (queries: Queries) =>
    !by && (await queries.query('select id from person limit 1')).length > 0
  const refused = { code: 'not-first', text: 'Somebody is here already: they add the next.' }
  // Looked at before the work of hashing, or a stranger could keep the machine busy with it.
  if (await notFirst(db)) return { ok: false, fault: refused }
  const pinHash = await hash(pin, HASHING)
  return db.transaction(async (tx) => {
    if (await notFirst(tx)) return { ok: false, fault: refused }
    const everybody = await tx.query<Person>('select id, name from person')
    if (everybody.some((each) => each.name.toLowerCase() === name.toLowerCase()))
      return { ok: false, fault: { code: 'name-taken', text: `${name} is here already: add a letter.` } }
    await tx.query('insert into person (id, name, pin_hash) values ($1, $2, $3)', [person.id, name, pinHash])
    return { ok: true, person }
  })
}

export async function changePin(db: Queries, personId: string, pin: string): Promise<void> {
  await db.query('update person set pin_hash = $2 where id = $1', [personId, await hash(pin, HASHING)])
}

/** Somebody no longer works here: not offered any more, and gone from every screen. What they did stays theirs. */
export async function personLeft(db: Database, personId: string, at: Date): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.query('update person set left_at = $2 where id = $1', [personId, at.toISOString()])
    await tx.query('delete from screen where person_id = $1', [personId])
  })
}

/**
 * Whether this PIN is theirs. A try counts before it is looked at, so that many at once gain nothing.
 *
 * @returns the person, or a sentence that tells whoever stands there what to do
 */
export async function checkPin(
  db: Queries,
  personId: string,
  pin: string,
  at: Date,
): Promise<{ ok: true; person: Person } | { ok: false; fault: PinFault }> {
  const [tried] = await db.query<Person & { pin_hash: string; failed: number }>(
    `update person set failed = failed + 1,
       locked_until = case when (failed + 1) % $3::int = 0
         then $2::timestamptz
           + least($4::float8 * power(2, (failed + 1) / $3::int - 1), $5::float8) * interval '1 minute'
         else null end
     where id = $1 and left_at is null and (locked_until is null or locked_until <= $2::timestamptz)
     returning id, name, pin_hash, failed`,
    [personId, at.toISOString(), TRIES, FIRST_LOCK_MIN, LONGEST_LOCK_MIN],
  )
  if (!tried) return { ok: false, fault: await whyNotTried(db, personId, at) }
  if (await verify(tried.pin_hash, pin)) {
    await db.query('update person set failed = 0, locked_until = null where id = $1', [personId])
    return { ok: true, person: { id: tried.id, name: tried.name } }
  }
  const left = TRIES - (tried.failed % TRIES)
  const text =
    left === TRIES
      ? (await whyNotTried(db, personId, at)).text
      : `That is not ${tried.name}’s PIN. ${left === 1 ? 'One try' : `${left} tries`} before it locks.`
  return { ok: false, fault: { code: 'wrong-pin', text } }
}

async function whyNotTried(db: Queries, personId: string, at: Date): Promise<PinFault> {
  const [row] = await db.query<{ locked_until: string | null }>(
    'select locked_until from person where id = $1 and left_at is null',
    [personId],
  )
  if (!row?.locked_until) return { code: 'nobody', text: 'Pick who you are.' }
  const minutes = Math.max(1, Math.ceil((Date.parse(row.locked_until) - at.getTime()) / 60_000))
  return {
    code: 'locked',
    text: `Too many wrong PINs: locked for ${minutes} min. Others can still take this screen.`,
  }
}

/** @returns what the browser keeps to be known by */
export async function takeScreen(db: Queries, personId: string, at: Date): Promise<string> {
  const token = newToken()
  await db.query('insert into screen (token_hash, person_id, since) values ($1, $2, $3)', [
    hashed(token),
    personId,
    at.toISOString(),
  ])
  await db.query(`delete from screen where since < $1::timestamptz - $2::int * interval '1 hour'`, [
    at.toISOString(),
    SHIFT_HOURS,
  ])
  return token
}

export async function leaveScreen(db: Queries, token: string): Promise<void> {
  await db.query('delete from screen where token_hash = $1', [hashed(token)])
}

/** Who is at the screen that sends this token; undefined where nobody is. */
export async function personAtScreen(db: Queries, token: string, at: Date): Promise<Person | undefined> {
  const [row] = await db.query<Person>(
    `select person.id, person.name from screen join person on person.id = screen.person_id
     where screen.token_hash = $1 and screen.since >= $2::timestamptz - $3::int * interval '1 hour'`,
    [hashed(token), at.toISOString(), SHIFT_HOURS],
  )
  return row
}
