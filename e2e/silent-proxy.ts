import { once } from 'node:events'
import { connect, createServer, type Server, type Socket } from 'node:net'

/** A wire between browser and server that can go silent: nothing is refused, nothing is cut, nothing arrives. */
export class SilentProxy {
  private silent = false
  private readonly sockets = new Set<Socket>()
  private constructor(
    private readonly server: Server,
    readonly port: number,
  ) {}

  static async to(port: number): Promise<SilentProxy> {
    const server = createServer().listen(0, '127.0.0.1')
    await once(server, 'listening')
    const address = server.address()
    const proxy = new SilentProxy(server, typeof address === 'object' && address ? address.port : 0)
    server.on('connection', (client) => {
      const behind = connect(port, '127.0.0.1')
      proxy.carry(client, behind)
      proxy.carry(behind, client)
    })
    return proxy
  }

  get url() {
    return `http://127.0.0.1:${this.port}`
  }

  private carry(from: Socket, to: Socket) {
    this.sockets.add(from)
    if (this.silent) from.pause()
    from.on('data', (bytes) => to.write(bytes))
    from.on('close', () => {
      this.sockets.delete(from)
      to.destroy()
    })
    from.on('error', () => to.destroy())
  }

  /** Not a byte passes until this is over. */
  async silentFor(ms: number, meanwhile: () => Promise<void>): Promise<void> {
    this.silent = true
    for (const socket of this.sockets) socket.pause()
    const over = new Promise((done) => setTimeout(done, ms))
    await meanwhile()
    await over
    this.silent = false
    for (const socket of this.sockets) socket.resume()
  }

  end(): void {
    for (const socket of this.sockets) socket.destroy()
    this.server.close()
  }
}
