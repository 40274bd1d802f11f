import { hash, verify } from '@node-rs/argon2'
import { newId } from '~/lib/ids'
import { whyNoPin } from '~/lib/pin'
import { type Closed, Doors } from '~core/door/tries'
import type { Person } from '~core/job/events'
import type { Database, Queries } from '~server/db/database.server'
import { isStorageFault } from '~server/db/storage.server'
import { hashed, newToken } from './token.server'
import { chosenUnits, type UnitsFor } from './units.server'
import { zoneOf } from './zone.server'

/** Argon2id at the least that is advised for it: 19 MiB, two passes. @source OWASP password storage, from memory */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }
/** A screen forgets who is at it after a long shift, or the next day's work would bear yesterday's name. */
const SHIFT_HOURS = 14

export const listPeople = (db: Queries): Promise<Person[]> =>
  db.query('select id, name from person where left_at is null order by name')

export async function findPerson(db: Queries, id: string): Promise<Person | undefined> {
  const [row] = await db.query<Person>('select id, name from person where id = $1', [id])
  return row
}

/** Why somebody could not be added, or a PIN was not taken. */
export type PinFault = { code: string; text: string }

/** Add somebody. The first is added by whoever has the code from the console; after that only `by` somebody signed in. */
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
  const unfit = whyNoPin(pin)
  if (unfit) return { ok: false, fault: { code: 'unfit-pin', text: unfit } }
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

/** Another PIN for somebody by their name, from the machine itself. @returns why not, in a sentence */
export async function resetPin(db: Queries, name: string, pin: string): Promise<string | undefined> {
  const unfit = whyNoPin(pin)
  if (unfit) return unfit
  const person = (await listPeople(db)).find((each) => each.name.toLowerCase() === name.toLowerCase())
  if (!person) return `Nobody here is called ${name}.`
  // Whoever was locked out is not by the new one: tries are counted against the PIN they were made at.
  await changePin(db, person.id, pin)
  return undefined
}

/** A restart forgets what was tried, which gives nobody more than a few tries. */
const doors = new Doors()
/** A colleague who is signed in vouches for somebody. */
export const unlockPerson = (personId: string): void => doors.unlock(personId)
export const wrongPinsFor = (personId: string): number => doors.wrongFor(personId)

/**
 * Whether this PIN is theirs. A try counts before it is looked at, so that many at once gain nothing; nothing is
 * written for it, so that somebody can come in and read where the store cannot be written.
 *
 * @param place where the try came from
 * @returns the person, or a sentence that tells whoever stands there what to do
 */
export async function checkPin(
  db: Queries,
  personId: string,
  pin: string,
  at: Date,
  place: string,
): Promise<{ ok: true; person: Person } | { ok: false; fault: PinFault }> {
  const [row] = await db.query<Person & { pin_hash: string }>(
    'select id, name, pin_hash from person where id = $1 and left_at is null',
    [personId],
  )
  if (!row) return { ok: false, fault: { code: 'nobody', text: 'Pick who you are.' } }
  const { pin_hash, ...person } = row
  // Another PIN since, as one that was given at the machine, is another lock.
  const knock = { person: `${person.id}/${hashed(pin_hash).slice(0, 8)}`, place }
  const closed = doors.closed(knock, at.getTime())
  if (closed) return { ok: false, fault: { code: 'locked', text: whyClosed(person.name, closed, at) } }
  const left = doors.knock(knock, at.getTime())
  if (pin_hash !== '' && (await verify(pin_hash, pin))) {
    doors.opened(knock)
    return { ok: true, person }
  }
  const now = doors.closed(knock, at.getTime())
  const text = now
    ? whyClosed(person.name, now, at)
    : `That is not ${person.name}’s PIN. ${left === 1 ? 'One try' : `${left} tries`} before it locks here.`
  return { ok: false, fault: { code: 'wrong-pin', text } }
}

function whyClosed(name: string, closed: Closed, at: Date): string {
  if (closed.why === 'strangers')
    return `Too many wrong PINs for ${name} from elsewhere. A colleague unlocks ${name} under People.`
  const minutes = Math.max(1, Math.ceil((closed.untilMs - at.getTime()) / 60_000))
  return `Too many wrong PINs: locked here for ${minutes} min. Others can still take this screen; a colleague unlocks ${name} under People.`
}

/** Screens taken while nothing could be written: known until the program ends. */
const unwritten = new Map<string, { personId: string; since: Date }>()

/** @returns what the browser keeps to be known by */
export async function takeScreen(db: Queries, personId: string, at: Date): Promise<string> {
  const token = newToken()
  try {
    await db.query('insert into screen (token_hash, person_id, since) values ($1, $2, $3)', [
      hashed(token),
      personId,
      at.toISOString(),
    ])
    await db.query(`delete from screen where since < $1::timestamptz - $2::int * interval '1 hour'`, [
      at.toISOString(),
      SHIFT_HOURS,
    ])
  } catch (error) {
    if (!isStorageFault(error)) throw error
    unwritten.set(hashed(token), { personId, since: at })
  }
  return token
}

export async function leaveScreen(db: Queries, token: string): Promise<void> {
  if (unwritten.delete(hashed(token))) return
  await db.query('delete from screen where token_hash = $1', [hashed(token)])
}

/** Who took a screen while nothing could be written; null where they did not, undefined where their shift is over. */
function heldBy(token: string, at: Date): string | null | undefined {
  const held = unwritten.get(hashed(token))
  if (!held) return null
  return inShift(held.since.getTime(), at) ? held.personId : undefined
}

const inShift = (sinceMs: number, at: Date): boolean => at.getTime() - sinceMs <= SHIFT_HOURS * 3_600_000

/** What every request needs to know before anything else. */
export type Seen = { person?: Person; units: UnitsFor; zone: string }

/** Who is at the screen that sends this token, in what units they see, and the shop's zone: in one question. */
export async function seenAt(db: Queries, token: string | undefined, at: Date): Promise<Seen> {
  const held = token === undefined ? undefined : heldBy(token, at)
  type Row = {
    id: string | null
    name: string
    own: unknown
    since: string | null
    shop: unknown
    zone: string | null
  }
  // The hour is not part of the question: as long as nothing is written it is asked once.
  const [row] = await db.query<Row>(
    `select person.id, person.name, person.units as own, screen.since,
       (select value from setting where key = 'units') as shop,
       (select value from setting where key = 'zone') as zone
     from (select 1) as request left join screen on screen.token_hash = $2
       left join person on person.id = coalesce($1, screen.person_id)`,
    [held ?? null, held === null ? hashed(token ?? '') : ''],
  )
  const onShift = held || (row?.since && inShift(Date.parse(row.since), at))
  return {
    ...(row?.id && onShift && { person: { id: row.id, name: row.name } }),
    units: chosenUnits(row && { shop: row.shop, own: onShift ? row.own : null }),
    zone: zoneOf(row?.zone),
  }
}

/** Who is at the screen that sends this token; undefined where nobody is. */
export const personAtScreen = async (db: Queries, token: string, at: Date): Promise<Person | undefined> =>
  (await seenAt(db, token, at)).person
