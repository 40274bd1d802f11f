import { randomBytes } from 'node:crypto'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
import helmet from 'helmet'
import type { RouterContextProvider, ServerBuild } from 'react-router'
import type { Database } from '~server/db/database.server'
import { oneDrain } from './one-drain'
import { verifyPage } from './verify-page'

const BODY_LIMIT_BYTES = 1_000_000

/** Per request: a nonce for the page's own scripts, and a reference number that ties a fault page to the log. */
function mark(_request: Request, response: Response, next: NextFunction) {
  response.locals.nonce = randomBytes(16).toString('base64')
  response.locals.reference = randomBytes(4).toString('hex').toUpperCase()
  const writeHead = response.writeHead
  // The fault page reads its number from here, also after a move inside the page, where no document is rendered.
  response.writeHead = function (this: Response, status: number, ...rest: never[]) {
    if (status >= 500)
      this.setHeader(
        'Set-Cookie',
        `reference=${response.locals.reference}; Path=/; Max-Age=60; SameSite=Strict`,
      )
    return writeHead.call(this, status, ...rest) as Response
  } as typeof writeHead
  next()
}

/** A name that points here from elsewhere (DNS rebinding) must not reach the shop's data. */
function knownHostsOnly(hosts: ReadonlySet<string>) {
  return (request: Request, response: Response, next: NextFunction) => {
    if (hosts.has(request.hostname)) next()
    else response.status(421).type('text').send('This address is not served here.\n')
  }
}

/** Anything that changes data must come from a page of this very address. */
function sameOriginWrites(request: Request, response: Response, next: NextFunction) {
  if (['GET', 'HEAD', 'OPTIONS'].includes(request.method)) return next()
  const origin = request.get('origin')
  const site = request.get('sec-fetch-site')
  const same = origin !== undefined && URL.canParse(origin) && new URL(origin).host === request.get('host')
  if (same && (site === undefined || site === 'same-origin')) next()
  else response.status(403).type('text').send('Only a page of this address may change anything here.\n')
}

/** An address with NUL in it is asked for by nobody who wants an answer, and no store could hold it. */
function plainAddress(request: Request, response: Response, next: NextFunction) {
  if (/%00/.test(request.originalUrl)) response.status(400).type('text').send('That is no address.\n')
  else next()
}

function limitedBody(request: Request, response: Response, next: NextFunction) {
  const length = request.get('content-length')
  if (request.get('transfer-encoding') !== undefined)
    response.status(411).type('text').send('Say how long the body is.\n')
  else if (Number(length ?? 0) > BODY_LIMIT_BYTES)
    response.status(413).type('text').send('At most 1 MB is taken.\n')
  else next()
}

const security = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'", (_request, response) => `'nonce-${(response as Response).locals.nonce}'`],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      connectSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  // The shop's network is plain http: a promise of https would lock its own devices out.
  strictTransportSecurity: false,
})

/** The pages are a bundle of their own, so only they can fill the contexts that their loaders read. */
type Pages = {
  loadContext: (db: Database, nonce: string, reference: string, from: string) => RouterContextProvider
}

/** The pages as the build left them. */
export const builtPages = (buildDir: string): Promise<ServerBuild> =>
  import(/* @vite-ignore */ pathToFileURL(join(buildDir, 'server', 'index.js')).href)

/**
 * The whole web application over one database.
 *
 * @param hosts names under which it may be asked for
 * @param pages made once: given as something to call, the router reads all of its routes anew at each request
 */
export function createApp(
  db: Database,
  buildDir: string,
  hosts: ReadonlySet<string>,
  pages: ServerBuild,
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(
    mark,
    knownHostsOnly(hosts),
    security,
    plainAddress,
    sameOriginWrites,
    limitedBody,
    compression(),
    oneDrain,
  )
  const client = join(buildDir, 'client')
  app.get('/verify.html', verifyPage(buildDir))
  app.use('/assets', express.static(join(client, 'assets'), { immutable: true, maxAge: '1y' }))
  app.use(express.static(client, { maxAge: '1h', index: false }))
  const { loadContext } = pages.entry.module as unknown as Pages
  app.use(
    createRequestHandler({
      build: pages,
      getLoadContext: ({ ip }, { locals }) => loadContext(db, locals.nonce, locals.reference, ip ?? ''),
    }),
  )
  return app
}
