import { data, type MiddlewareFunction, redirect } from 'react-router'
import { BUILD_HEADER } from '~/lib/build'
import { setZone } from '~/lib/zone'
import { isPlainText } from '~core/base/plain-text'
import type { Database } from '~server/db/database.server'
import { isStorageFault } from '~server/db/storage.server'
import { seenAt } from '~server/store/people.server'
import { serverBuild } from './build.server'
import { database, personHere, unitsHere } from './context.server'

const COOKIE = 'who'

/** What this browser holds of the screen it took; undefined where it took none. */
export const screenToken = (request: Request): string | undefined =>
  new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w-]+)`).exec(request.headers.get('cookie') ?? '')?.[1]

/** Out of reach of page scripts and of other sites; gone with the browser. */
export const screenCookie = (token: string): string =>
  `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict${token === '' ? '; Max-Age=0' : ''}`

const HERE = 'http://here'

/**
 * An address of this program to go back to; anything else leads to the yard. As a browser reads it: one that begins with
 * a slash and a tab and another slash leads elsewhere.
 */
export function backTo(text: string | null): string {
  if (!text?.startsWith('/') || !URL.canParse(text, HERE)) return '/'
  const { origin, pathname, search, hash } = new URL(text, HERE)
  return origin === HERE && !pathname.startsWith('//') ? `${pathname}${search}${hash}` : '/'
}

/**
 * Nobody sees or records anything without having said who they are. A page leads to the picker; what a screen sends
 * by itself is answered with a sentence, and stays in its queue.
 */
export const signedIn: MiddlewareFunction<Response> = async (args, next) => {
  const response = (await letIn(args, next)) as Response
  response.headers.set(BUILD_HEADER, serverBuild())
  return response
}

const letIn: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  const db = context.get(database)
  const { pathname, search } = new URL(request.url)
  const token = screenToken(request)
  const { person, units, zone } = await seenAt(db, token, new Date())
  setZone(zone)
  context.set(personHere, person ?? null)
  context.set(unitsHere, units.shown)
  if (request.method !== 'GET' && !KEEPS_TRYING.some((has) => has(pathname))) await writable(db)
  await plainForm(request)
  if (
    person ||
    pathname === '/who' ||
    pathname === '/who.data' ||
    isCalendar(pathname) ||
    isCab(pathname) ||
    isCheck(pathname)
  )
    return (await next()) as Response
  if (isEvents(pathname) || isFeed(pathname))
    return Response.json(
      { refusal: { code: 'nobody-here', text: 'Nobody is signed in at this screen: say who you are.' } },
      { status: 401 },
    )
  // The router asks for a page’s data at the same address with an ending of its own.
  const page = pathname === '/_root.data' ? '/' : pathname.replace(/\.data$/, '')
  const wanted = request.method === 'GET' ? page + search.replace(/[?&]_routes=[^&]*/, '') : '/'
  throw redirect(`/who?to=${encodeURIComponent(wanted)}`)
}

/** A calendar program cannot say who it is: its address holds a secret instead. */
const isCalendar = (pathname: string) => /^\/calendar\/[\w-]+\.ics$/.test(pathname)
/** Who holds a certificate sees by its code what the logbook says of it, and nothing else. */
const isCheck = (pathname: string) => /^\/check\/[0-9a-f]+(\.data)?$/.test(pathname)
/** A phone in the cab says by a code which job it belongs to, and may do nothing else. */
const isCab = (pathname: string) => /^\/cab(\.data|\/.*)?$/.test(pathname)
const isEvents = (pathname: string) => /^\/jobs\/[^/]+\/events$/.test(pathname)
const isFeed = (pathname: string) => /^\/jobs\/[^/]+\/stream$/.test(pathname)

/** These answer for themselves where nothing can be written: a screen’s queue, a phone, and whoever comes in to read. */
const KEEPS_TRYING = [isEvents, isCab, (pathname: string) => /^\/who(\.data)?$/.test(pathname)]

/** What the store cannot hold is found before anything is done with it. */
async function plainForm(request: Request): Promise<void> {
  if (request.method === 'GET' || !/form/.test(request.headers.get('content-type') ?? '')) return
  for (const [name, value] of await request.clone().formData())
    if (typeof value === 'string' && !isPlainText(value))
      throw data(
        {
          sentence: `There is a sign in “${name}” that is no text. Go back, leave it out, and send it again.`,
        },
        { status: 400 },
      )
}

/** Nothing can be saved: said on a page of its own before anything is tried. */
async function writable(db: Database): Promise<void> {
  try {
    await db.writable()
  } catch (error) {
    if (isStorageFault(error)) throw data({ sentence: error.message }, { status: 507 })
    throw error
  }
}
