import { Writable } from 'node:stream'
import { renderToPipeableStream } from 'react-dom/server'
import type { EntryContext, HandleErrorFunction } from 'react-router'
import { RouterContextProvider, ServerRouter } from 'react-router'
import type { Database } from '~server/db/database.server'
import { cameFrom, database, faultReference, jobsOnPage, scriptNonce } from '~server/http/context.server'
import { log } from '~server/http/log.server'
import { NonceContext } from './lib/nonce'

const RENDER_TIMEOUT_MS = 5000

/** What the server hands to every loader and action. */
export function loadContext(
  db: Database,
  nonce: string,
  reference: string,
  from: string,
): RouterContextProvider {
  const context = new RouterContextProvider()
  context.set(database, db)
  context.set(scriptNonce, nonce)
  context.set(faultReference, reference)
  context.set(cameFrom, from)
  context.set(jobsOnPage, new Map())
  return context
}

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
  context: RouterContextProvider,
) {
  const nonce = context.get(scriptNonce)
  return new Promise<Response>((resolve, reject) => {
    let statusCode = status
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        // Loaders have answered by now and no page waits for more: sent whole it is compressed at once instead of in dozens
        // of pieces.
        onAllReady() {
          headers.set('Content-Type', 'text/html; charset=utf-8')
          headers.set('Cache-Control', 'no-store')
          const pieces: Uint8Array[] = []
          const page = new Writable({
            write(piece: Uint8Array, _encoding, done) {
              pieces.push(piece)
              done()
            },
            final(done) {
              resolve(new Response(Buffer.concat(pieces), { headers, status: statusCode }))
              done()
            },
          })
          pipe(page)
        },
        onShellError: reject,
        onError(error: unknown) {
          statusCode = 500
          log.error(error)
        },
      },
    )
    setTimeout(abort, RENDER_TIMEOUT_MS).unref()
  })
}

/** Every unexpected fault is logged under the number that its page shows. */
export const handleError: HandleErrorFunction = (error, { request, context }) => {
  if (request.signal.aborted) return
  // Where the router fails before it has one there is no number, and what happened is logged all the same.
  const reference = (context as RouterContextProvider | undefined)?.get(faultReference)
  log.error(
    { err: error, reference, method: request.method, url: new URL(request.url).pathname },
    `fault ${reference ?? 'without a number'}`,
  )
}
