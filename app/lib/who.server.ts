import { data, type MiddlewareFunction, redirect } from 'react-router'
import { database, personHere } from '~/context'
import type { Database } from '~/db/database.server'
import { personAtScreen } from '~/db/people.server'
import { isStorageFault } from '~/db/storage.server'

const COOKIE = 'who'

/** What this browser holds of the screen it took; undefined where it took none. */
export const screenToken = (request: Request): string | undefined =>
  new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w-]+)`).exec(request.headers.get('cookie') ?? '')?.[1]

/** Out of reach of page scripts and of other sites; gone with the browser. */
export const screenCookie = (token: string): string =>
  `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict${token === '' ? '; Max-Age=0' : ''}`

/** An address of this program to go back to; anything else leads to the yard. */
export const backTo = (text: string | null): string => (text && /^\/(?![/\\])/.test(text) ? text : '/')

/**
 * Nobody sees or records anything without having said who they are. A page leads to the picker; what a screen sends
 * by itself is answered with a sentence, and stays in its queue.
 */
export const signedIn: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  const db = context.get(database)
  const { pathname, search } = new URL(request.url)
  const token = screenToken(request)
  const person = token === undefined ? undefined : await personAtScreen(db, token, new Date())
  context.set(personHere, person ?? null)
  if (request.method !== 'GET' && !isEvents(pathname) && !isCab(pathname)) await writable(db)
  if (person || pathname === '/who' || pathname === '/who.data' || isCalendar(pathname) || isCab(pathname))
    return next()
  if (isEvents(pathname))
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
/** A phone in the cab says by a code which job it belongs to, and may do nothing else. */
const isCab = (pathname: string) => /^\/cab(\.data|\/.*)?$/.test(pathname)
const isEvents = (pathname: string) => /^\/jobs\/[^/]+\/events$/.test(pathname)

/** Nothing can be saved: said on a page of its own before anything is tried. */
async function writable(db: Database): Promise<void> {
  try {
    await db.writable()
  } catch (error) {
    if (isStorageFault(error)) throw data({ sentence: error.message }, { status: 507 })
    throw error
  }
}
