import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { freePort } from './server'

/** The simulated scan tool in a process of its own, with its dials. */
export class ScanTool {
  private constructor(
    private readonly child: ChildProcess,
    readonly port: number,
    readonly pageUrl: string,
  ) {}

  /** @param vehicle file of the vehicle whose unit it speaks to */
  static async start(vehicle: string): Promise<ScanTool> {
    const [port, pagePort] = [await freePort(), await freePort()]
    const child = spawn(process.execPath, ['build/node/scan-tool.js', vehicle], {
      env: { ...process.env, SCAN_TOOL_PORT: String(port), SCAN_TOOL_PAGE_PORT: String(pagePort) },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    await once(child.stdout, 'data')
    return new ScanTool(child, port, `http://127.0.0.1:${pagePort}`)
  }

  act = (what: object) => this.post('/act', what)
  dials = (to: object) => this.post('/dials', to)
  private async post(path: string, body: object): Promise<void> {
    const answer = await fetch(this.pageUrl + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(`the scan tool answered ${answer.status}`)
  }
  async end(): Promise<void> {
    this.child.kill()
    await once(this.child, 'exit')
  }
}
