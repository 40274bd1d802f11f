import { chmodSync, rmSync } from 'node:fs'
import { connect, createServer, type Server, type Socket } from 'node:net'
import { join } from 'node:path'
import { z } from 'zod'

/** What the command asks of a server that runs on the same data. One line of JSON there, one back. */
export const askedSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('backup'), to: z.string() }),
  z.strictObject({ do: z.literal('backup-now') }),
  z.strictObject({ do: z.literal('reset-pin'), name: z.string(), pin: z.string() }),
])
export type Asked = z.output<typeof askedSchema>
export type Told = { ok: true; said: Record<string, unknown> } | { ok: false; sentence: string }

/** In the data folder, which is its owner's alone: whoever can reach it may do as the operator. */
const socketOf = (dataDir: string): string => join(dataDir, 'siphon.sock')

/** Answer the command while the server runs. @returns stops */
export function listenToCommand(
  dataDir: string,
  answer: (asked: Asked) => Promise<Told>,
): Promise<() => void> {
  const path = socketOf(dataDir)
  // Whoever left it is gone: the lock on the folder is ours.
  rmSync(path, { force: true })
  const server: Server = createServer({ allowHalfOpen: true }, (socket) => void hear(socket, answer))
  return new Promise((ready, failed) => {
    server.once('error', failed)
    server.listen(path, () => {
      chmodSync(path, 0o600)
      ready(() => {
        server.close()
        rmSync(path, { force: true })
      })
    })
  })
}

/** All that the other side says. Read to its end, a socket must stay open to be answered on. */
function heardOn(socket: Socket): Promise<string> {
  let said = ''
  socket.setEncoding('utf8')
  socket.on('data', (part: string) => {
    said += part
  })
  return new Promise((done) => socket.once('close', () => done(said)).once('end', () => done(said)))
}

async function hear(socket: Socket, answer: (asked: Asked) => Promise<Told>): Promise<void> {
  try {
    const asked = askedSchema.safeParse(JSON.parse(await heardOn(socket)))
    const told = asked.success
      ? await answer(asked.data)
      : ({ ok: false, sentence: 'The server that runs is of another release: stop it first.' } as const)
    socket.end(JSON.stringify(told))
  } catch (error) {
    socket.end(
      JSON.stringify({ ok: false, sentence: error instanceof Error ? error.message : String(error) }),
    )
  }
}

/** Ask the server that runs on a data folder. @returns undefined where none does */
export function askServer(dataDir: string, asked: Asked): Promise<Told | undefined> {
  return new Promise((done) => {
    const socket = connect(socketOf(dataDir))
    // No socket, or one that a killed server left: nobody is there.
    socket.once('error', () => done(undefined))
    socket.once('connect', () => {
      socket.end(JSON.stringify(asked))
      void heardOn(socket).then((said) =>
        done(said === '' ? { ok: false, sentence: 'The server went away.' } : (JSON.parse(said) as Told)),
      )
    })
  })
}
