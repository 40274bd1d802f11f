import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

/** A port nobody listens on now. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1')
  await once(probe, 'listening')
  const address = probe.address()
  probe.close()
  return typeof address === 'object' && address ? address.port : 0
}

const SERVER_CLOCK = pathToFileURL(resolve('e2e/server-clock.mjs'))
const running = new Map<string, DemoServer>()

/** The built application with the demo world in a data folder of its own. */
export class DemoServer {
  private child?: ChildProcess
  /** How far its clock is ahead of this process's. */
  aheadMs = 0
  private constructor(
    readonly port: number,
    readonly dataDir: string,
    private readonly command: string[],
  ) {}

  /**
   * @param dataDir one that is prepared already; left out, a new one
   * @param through a command that the server is started by
   */
  static async start(
    dataDir = mkdtempSync(join(tmpdir(), 'siphon-')),
    { demo = true, through = [], lan = false }: { demo?: boolean; through?: string[]; lan?: boolean } = {},
  ): Promise<DemoServer> {
    const port = await freePort()
    const server = new DemoServer(port, dataDir, [
      ...through,
      process.execPath,
      'build/node/start.js',
      ...(demo ? ['--demo'] : []),
      ...(lan ? ['--lan'] : []),
    ])
    running.set(String(port), server)
    await server.run()
    return server
  }

  /** The one that serves this address. */
  static at(url: string): DemoServer {
    const server = running.get(new URL(url).port)
    if (!server) throw new Error(`no server of a journey serves ${url}`)
    return server
  }

  get pid(): number {
    return this.child?.pid ?? 0
  }

  get url() {
    return `http://127.0.0.1:${this.port}`
  }

  /** Start, or start again on the same data; settled once the address is printed. */
  async run(): Promise<void> {
    const [program = process.execPath, ...words] = this.command
    const child = spawn(program, words, {
      env: {
        ...process.env,
        NODE_OPTIONS: `--import=${SERVER_CLOCK}`,
        PORT: String(this.port),
        SIPHON_DATA: this.dataDir,
        NODE_ENV: 'production',
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    this.child = child
    this.aheadMs = 0
    await new Promise<void>((ready, failed) => {
      child.stdout.on('data', (text: Buffer) => text.includes('http://') && ready())
      child.once('exit', (code) => failed(new Error(`the server ended with ${code}`)))
    })
  }

  /** Its clock goes a minute on: what has to be held was held. */
  minuteOn(): void {
    if (this.child?.kill('SIGUSR2')) this.aheadMs += 60_000
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    if (this.child?.exitCode !== null) return
    this.child.kill(signal)
    await once(this.child, 'exit')
  }

  async end(): Promise<void> {
    await this.stop()
    rmSync(this.dataDir, { recursive: true, force: true })
  }
}

/** How Debian's Chromium is started without a monitor and without looking for the outside. */
export const chromiumOptions = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
