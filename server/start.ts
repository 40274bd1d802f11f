import { createServer, type Server } from 'node:http'
import { createServer as createProbe } from 'node:net'
import { networkInterfaces } from 'node:os'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Database } from '~server/db/database.server'
import { builtPages, createApp } from '~server/http/app'
import { openData } from '~server/services/open-data.server'
import { loadDemoWorld } from '../demo/load'
import { firstPeople } from './first-people'
import { keepHouse } from './housekeeping'

const buildDir = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const lan = process.argv.includes('--lan')
const host = process.env.HOST ?? (lan ? '0.0.0.0' : '127.0.0.1')
const port = Number(process.env.PORT ?? 4173)
const dataDir = resolve(process.env.SIPHON_DATA ?? 'data')

/** One sentence and out: whoever starts a server wants to know what to do, not where it happened. */
function giveUp(sentence: string): never {
  console.error(sentence)
  process.exit(1)
}

/** A taken port is found before the data is opened, so that nothing has to be closed again. */
function probePort(): Promise<void> {
  return new Promise((done, failed) => {
    const probe = createProbe()
    probe.once('error', failed)
    probe.listen(port, host, () => probe.close(() => done()))
  })
}

function stopCleanly(server: Server, db: Database) {
  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    // A stream that never ends would hold the server open: it is cut, and its browser comes back.
    server.close()
    server.closeAllConnections()
    stopHousekeeping()
    await db.close()
    process.exit(0)
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
}

if (!Number.isInteger(port) || port < 1 || port > 65_535)
  giveUp(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`)
await probePort().catch((error: NodeJS.ErrnoException) =>
  giveUp(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken: stop what uses it, or set PORT to another number.`
      : `Cannot listen on ${host}:${port}: ${error.message}.`,
  ),
)
const { db, first, onlyRead } = await openData(dataDir, buildDir).catch((error: Error) =>
  giveUp(error.message),
)
const demo = process.argv.includes('--demo')
if (first && demo) await loadDemoWorld(db, new Date())
if (!onlyRead)
  for (const said of await firstPeople(db, { demo, shared: host !== '127.0.0.1' })) console.log(said)
const stopHousekeeping = onlyRead ? () => {} : await keepHouse(db, dataDir)
/** Addresses of this machine on its networks: under them phones ask for it. */
const onNetworks = lan
  ? Object.values(networkInterfaces())
      .flatMap((each) => each ?? [])
      .filter(({ family, internal }) => family === 'IPv4' && !internal)
      .map(({ address }) => address)
  : []
// The pages are a bundle of their own: what they need of the start is in the environment.
if (onNetworks[0]) process.env.SIPHON_LAN = onNetworks[0]
if (demo) process.env.SIPHON_DEMO = 'yes'
const hosts = new Set([
  ...onNetworks,
  'localhost',
  '127.0.0.1',
  '::1',
  '[::1]',
  ...(process.env.SIPHON_HOSTS?.split(',') ?? []),
])
const server = createServer(createApp(db, buildDir, hosts, await builtPages(buildDir)))
// After Node's five seconds a browser's next act would meet a connection that is just being closed.
server.keepAliveTimeout = 75_000
server.listen(port, host, () =>
  console.log(
    ['127.0.0.1', ...onNetworks]
      .map(
        (each) =>
          `Ruddy Siphon at http://${host === '0.0.0.0' || each !== '127.0.0.1' ? each : host}:${port}`,
      )
      .join('\n'),
  ),
)
stopCleanly(server, db)
