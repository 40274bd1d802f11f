import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { freePort } from './server'

/** The simulated scale in a process of its own, with the bottle on its page. */
export class Scale {
  private constructor(
    private readonly child: ChildProcess,
    readonly port: number,
    readonly pageUrl: string,
  ) {}

  static async start(): Promise<Scale> {
    const [port, pagePort] = [await freePort(), await freePort()]
    const child = spawn(process.execPath, ['build/node/scale.js'], {
      env: { ...process.env, SCALE_PORT: String(port), SCALE_PAGE_PORT: String(pagePort) },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    await once(child.stdout, 'data')
    return new Scale(child, port, `http://127.0.0.1:${pagePort}`)
  }

  act = (what: object) => this.post('/act', what)
  dials = (to: object) => this.post('/dials', to)
  private async post(path: string, body: object): Promise<void> {
    const answer = await fetch(this.pageUrl + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(`the scale answered ${answer.status}`)
  }
  async end(): Promise<void> {
    this.child.kill()
    await once(this.child, 'exit')
  }
}
