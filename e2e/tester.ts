import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { freePort } from './server'

/** The simulated fluid tester in a process of its own, with its dials. */
export class Tester {
  private constructor(
    private readonly child: ChildProcess,
    readonly port: number,
    readonly pageUrl: string,
  ) {}

  static async start(): Promise<Tester> {
    const [port, pagePort] = [await freePort(), await freePort()]
    const child = spawn(process.execPath, ['build/node/tester.js'], {
      env: { ...process.env, TESTER_PORT: String(port), TESTER_PAGE_PORT: String(pagePort) },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    await once(child.stdout, 'data')
    return new Tester(child, port, `http://127.0.0.1:${pagePort}`)
  }

  async dials(to: object): Promise<void> {
    await this.post('/dials', to)
  }
  /** Pull its cable, or put it back. */
  async plug(): Promise<void> {
    await this.post('/plug', {})
  }
  private async post(path: string, body: object): Promise<void> {
    const answer = await fetch(this.pageUrl + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(`the tester answered ${answer.status}`)
  }
  async end(): Promise<void> {
    this.child.kill()
    await once(this.child, 'exit')
  }
}
