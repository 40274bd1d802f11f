import type { Server } from 'node:net'
import express, { type Express } from 'express'

/** Stand-ins listen on this machine alone. */
export const HOST = '127.0.0.1'

/** The web side of a stand-in: whatever page is open elsewhere in this browser must not turn its dials. */
export function localApp(mostBytes = '10kb'): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use((request, response, next) => {
    const local = request.hostname === HOST || request.hostname === 'localhost'
    const origin = request.get('origin')
    const own = origin === undefined || origin === `http://${request.get('host')}`
    if (local && own) next()
    else response.sendStatus(403)
  })
  app.use(express.json({ limit: mostBytes }))
  return app
}

export const contentPolicy = (nonce: string): string =>
  `default-src 'self'; script-src 'nonce-${nonce}'; style-src 'unsafe-inline'; img-src data:`

type Ports = { name: string; linePort: number; pagePort: number; setBy: string }

/** Both sides begin, or the process ends with why not; it ends at a signal. */
export function listen(lines: Server, app: Express, { name, linePort, pagePort, setBy }: Ports): void {
  const taken = (port: number) => (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken: stop what uses it, or set ${setBy} to others.`
        : `Cannot listen on port ${port}: ${error.message}.`,
    )
    process.exit(1)
  }
  lines
    .once('error', taken(linePort))
    .listen(linePort, HOST, () =>
      app
        .listen(pagePort, HOST, () =>
          console.log(`${name}: dials at http://${HOST}:${pagePort}, lines on port ${linePort}`),
        )
        .once('error', taken(pagePort)),
    )
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => process.exit(0))
}
