import { createHash } from 'node:crypto'
import { createReadStream, type Dirent } from 'node:fs'
import { readdir, stat } from 'node:fs/promises'
import { join, posix } from 'node:path'
import { Transform } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import tar, { type Pack } from 'tar-stream'

/** A file or folder of a tree, by its name from the top. */
export type Entry = { name: string; path: string; kind: 'file' | 'directory' }

/** All that is in a folder, each folder before what is in it. */
export async function* entriesOf(dir: string, under = ''): AsyncGenerator<Entry> {
  const found: Dirent[] = await readdir(dir, { withFileTypes: true })
  for (const each of found) {
    const [name, path] = [posix.join(under, each.name), join(dir, each.name)]
    if (each.isDirectory()) {
      yield { name, path, kind: 'directory' }
      yield* entriesOf(path, name)
    } else if (each.isFile()) yield { name, path, kind: 'file' }
  }
}

/** One file into an archive. It may grow meanwhile: as much is taken as it had when it was begun. */
export async function packFile(pack: Pack, name: string, path: string): Promise<void> {
  const { size } = await stat(path)
  if (size === 0) pack.entry({ name }, '')
  else await pipeline(createReadStream(path, { end: size - 1 }), pack.entry({ name, size }))
}

/** A folder that nothing writes to, as an archive that a database in memory begins from. */
export async function folderAsTar(dir: string): Promise<Blob> {
  const pack = tar.pack()
  const whole = buffer(pack)
  for await (const { name, path, kind } of entriesOf(dir)) {
    if (kind === 'directory') pack.entry({ name: `/${name}`, type: 'directory' })
    else await packFile(pack, `/${name}`, path)
  }
  pack.finalize()
  return new Blob([new Uint8Array(await whole)])
}

/** Lets through what is written or read, and tells its SHA-256 at the end. */
export function summing(): { through: Transform; sum: () => string } {
  const hash = createHash('sha256')
  const through = new Transform({
    transform(chunk, _encoding, done) {
      hash.update(chunk)
      done(null, chunk)
    },
  })
  return { through, sum: () => hash.digest('hex') }
}
