import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { pathToFileURL } from 'node:url'

/** A port nobody listens on now. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1')
  await once(probe, 'listening')
  const address = probe.address()
  probe.close()
  return typeof address === 'object' && address ? address.port : 0
}

const SERVER_CLOCK = pathToFileURL(resolve('test/http/server-clock.mjs'))
/** The database is translated well only where it is asked a lot: most servers of a run are gone before that pays. */
const LIVES_SHORT = '--wasm-tiering-budget=50000000'
const running = new Map<string, DemoServer>()

/** Where a demo world as its first start makes it stands, for all the servers of a run: that start takes seconds. */
const MADE_ONCE = 'SIPHON_DEMO_MADE_ONCE'

function newFolder(demo: boolean): string {
  const dir = mkdtempSync(join(tmpdir(), 'siphon-'))
  const made = process.env[MADE_ONCE]
  if (demo && made)
    for (const each of ['', '.key']) cpSync(`${made}${each}`, `${dir}${each}`, { recursive: true })
  return dir
}

const backupStands = (dataDir: string): boolean => {
  const dir = join(dataDir, 'backups')
  return existsSync(dir) && readdirSync(dir).some((name) => name.endsWith('.backup'))
}

/** Make the demo world that this run's servers begin with. @returns what takes it away again */
export async function makeDemoOnce(): Promise<() => Promise<void>> {
  const server = await DemoServer.start()
  // A shop's first backup is made as it starts, and would be begun anew by each server of a copy that has none.
  for (let waitedMs = 0; !backupStands(server.dataDir); waitedMs += 50) {
    if (waitedMs > 60_000) throw new Error('a new shop made no backup by itself')
    await setTimeout(50)
  }
  await server.stop()
  process.env[MADE_ONCE] = server.dataDir
  return () => server.end()
}

/** The built application with the demo world in a data folder of its own. */
export class DemoServer {
  private child?: ChildProcess
  /** What it has printed. */
  said = ''
  /** How far its clock is ahead of this process's. */
  aheadMs = 0
  private constructor(
    readonly port: number,
    readonly dataDir: string,
    private readonly command: string[],
  ) {}

  /**
   * @param prepared a data folder that is prepared already; left out, a new one
   * @param through a command that the server is started by
   */
  static async start(
    prepared?: string,
    { demo = true, through = [], lan = false }: { demo?: boolean; through?: string[]; lan?: boolean } = {},
  ): Promise<DemoServer> {
    const dataDir = prepared ?? newFolder(demo && through.length === 0 && !lan)
    const port = await freePort()
    const server = new DemoServer(port, dataDir, [
      ...through,
      process.execPath,
      LIVES_SHORT,
      'build/node/start.js',
      ...(demo ? ['--demo'] : []),
      ...(lan ? ['--lan'] : []),
    ])
    running.set(String(port), server)
    await server.run()
    return server
  }

  /** The one that serves this address; undefined behind a proxy. */
  static behind(url: string): DemoServer | undefined {
    return running.get(new URL(url).port)
  }
  static at(url: string): DemoServer {
    const server = DemoServer.behind(url)
    if (!server) throw new Error(`no server of a journey serves ${url}`)
    return server
  }

  /** The PIN that it gave somebody anew when it was started, and printed. */
  newPinOf(name: string): string | undefined {
    return new RegExp(`^${name}: PIN (\\d+)$`, 'm').exec(this.said)?.[1]
  }
  get firstCode(): string {
    return /first person’s code: (\w+)/.exec(this.said)?.[1] ?? ''
  }

  get pid(): number {
    return this.child?.pid ?? 0
  }

  get url() {
    return `http://127.0.0.1:${this.port}`
  }

  /**
   * Start, or start again on the same data; settled once the address is printed.
   *
   * @param settings of its environment, for this life of it
   */
  async run(settings: Record<string, string> = {}): Promise<void> {
    const [program = process.execPath, ...words] = this.command
    const child = spawn(program, words, {
      env: {
        ...process.env,
        NODE_OPTIONS: `--import=${SERVER_CLOCK}`,
        PORT: String(this.port),
        SIPHON_DATA: this.dataDir,
        NODE_ENV: 'production',
        ...settings,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    this.child = child
    this.said = ''
    this.aheadMs = 0
    await new Promise<void>((ready, failed) => {
      child.stdout.on('data', (text: Buffer) => {
        this.said += text
        if (this.said.includes('http://')) ready()
      })
      child.once('exit', (code) => failed(new Error(`the server ended with ${code}`)))
    })
  }

  /** Its clock goes a minute on, settled once it has: what has to be held was held. */
  async minuteOn(): Promise<void> {
    const { child } = this
    if (!child) return
    const heard = new Promise<void>((done) => {
      const hear = (text: Buffer) => {
        if (!text.includes('A minute on')) return
        child.stdout?.off('data', hear)
        done()
      }
      child.stdout?.on('data', hear)
    })
    child.kill('SIGUSR2')
    await heard
    this.aheadMs += 60_000
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    if (this.child?.exitCode !== null) return
    this.child.kill(signal)
    await once(this.child, 'exit')
  }

  async end(): Promise<void> {
    await this.stop()
    for (const path of [this.dataDir, `${this.dataDir}.key`]) rmSync(path, { recursive: true, force: true })
  }
}

/** Debian's: the one without a window needs a third less time. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

/** How Debian's Chromium is started without a monitor and without looking for the outside. */
export const chromiumOptions = {
  executablePath: process.env.CHROMIUM ?? CHROMIUMS.find((each) => existsSync(each)),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--process-per-site',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
