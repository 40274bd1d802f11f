import { once } from 'node:events'
import { connect, createServer, type Server, type Socket } from 'node:net'
import { Chance } from '~core/base/random'

/** Per piece of traffic: how long it may take, and how often its wire is cut or swallows everything from then on. */
type Faults = { delayMs: number; cutShare: number; dropShare: number }

/** A bad wire between a client and a server: it delays, cuts before or after a piece passed, or goes on taking and passes nothing. */
export class FaultyProxy {
  faults: Faults = { delayMs: 0, cutShare: 0, dropShare: 0 }
  cuts = 0
  drops = 0
  private readonly chance: Chance
  private readonly sockets = new Set<Socket>()
  private constructor(
    private readonly server: Server,
    readonly port: number,
    seed: number,
  ) {
    this.chance = new Chance(seed)
  }

  static async to(port: number, seed: number): Promise<FaultyProxy> {
    const server = createServer().listen(0, '127.0.0.1')
    await once(server, 'listening')
    const address = server.address()
    const proxy = new FaultyProxy(server, typeof address === 'object' && address ? address.port : 0, seed)
    server.on('connection', (client) => {
      const behind = connect(port, '127.0.0.1')
      const cut = () => {
        client.destroy()
        behind.destroy()
      }
      const wire = { cut, dead: false }
      proxy.carry(client, behind, wire)
      proxy.carry(behind, client, wire)
    })
    return proxy
  }

  get url() {
    return `http://127.0.0.1:${this.port}`
  }

  /** Pieces of one direction keep their order, or it would not be a wire. */
  private carry(from: Socket, to: Socket, wire: { cut: () => void; dead: boolean }) {
    let last = Promise.resolve()
    this.sockets.add(from)
    from.on('data', (bytes) => {
      const { delayMs, cutShare, dropShare } = this.faults
      const [cut, drop] = [this.chance.yes(cutShare), this.chance.yes(dropShare)]
      const [passes, waitMs] = [this.chance.yes(0.5), this.chance.next() * delayMs]
      this.cuts += Number(cut)
      this.drops += Number(drop)
      wire.dead ||= drop
      const dead = wire.dead
      last = last.then(async () => {
        await new Promise((resume) => setTimeout(resume, waitMs))
        if (!dead && (!cut || passes)) to.write(bytes)
        if (cut) wire.cut()
      })
    })
    from.on('close', () => {
      this.sockets.delete(from)
      void last.then(() => to.destroy())
    })
    from.on('error', wire.cut)
  }

  /** From now on a good wire; what was taken and not passed is cut, so that it is sent again. */
  heal(): void {
    this.faults = { delayMs: 0, cutShare: 0, dropShare: 0 }
    for (const socket of this.sockets) socket.destroy()
  }
  end(): void {
    for (const socket of this.sockets) socket.destroy()
    this.server.close()
  }
}
