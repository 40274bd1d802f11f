import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { freePort } from '../test/http/server'

/** A simulated instrument in a process of its own, with its page. */
export class Device {
  private constructor(
    private readonly name: string,
    private readonly child: ChildProcess,
    readonly port: number,
    readonly pageUrl: string,
  ) {}

  /** @param name of its bundle: its ports are set by variables of the same name */
  static async start(name: string, ...args: string[]): Promise<Device> {
    const [port, pagePort] = [await freePort(), await freePort()]
    const variable = name.toUpperCase().replaceAll('-', '_')
    const child = spawn(process.execPath, [`build/node/${name}.js`, ...args], {
      env: {
        ...process.env,
        [`${variable}_PORT`]: String(port),
        [`${variable}_PAGE_PORT`]: String(pagePort),
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    await once(child.stdout, 'data')
    return new Device(name, child, port, `http://127.0.0.1:${pagePort}`)
  }

  act = (what: object) => this.post('/act', what)
  dials = (to: object) => this.post('/dials', to)
  /** Pull its cable, or put it back, where it has a plug of its own. */
  plug = () => this.post('/plug', {})
  private async post(path: string, body: object): Promise<void> {
    const answer = await fetch(this.pageUrl + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(`the ${this.name} answered ${answer.status}`)
  }
  async end(): Promise<void> {
    this.child.kill()
    await once(this.child, 'exit')
  }
}
