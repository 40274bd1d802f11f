import { fsyncSync } from 'node:fs'
import { type ParserOptions, PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'
import { startParams } from './start-params.server'
import { syncPath } from './sync.server'

/** PostgreSQL as it starts where an acknowledged commit has to outlive a power cut: `-F` would switch syncing off. */
const durableParams: string[] = [
  ...startParams.filter((each) => each !== '-F'),
  '-c',
  'fsync=on',
  // The other way, fdatasync, ends in an empty call here.
  '-c',
  'wal_sync_method=fsync',
]

type Node = object
type Stream = { nfd?: number; node: Node }
/** As much of the emulated file system as is laid hand on: that part of it that lies on the real disk. */
export type FolderFiles = {
  realPath(node: Node): string
  stream_ops: {
    fsync?(stream: Stream): number
    write(stream: Stream, buffer: Uint8Array, offset: number, length: number, position: number): number
  }
  node_ops: {
    mknod(parent: Node, name: string, ...rest: unknown[]): Node
    rename(node: Node, parent: Node, name: string): void
    unlink(parent: Node, name: string): void
    setattr(node: Node, attributes: { size?: number }): void
  }
}

/** Changes the files of a database before its PostgreSQL touches the first of them: recovery, too, must be synced. */
export type Prepare = (files: FolderFiles) => void

class Folder extends NodeFS {
  constructor(
    dataDir: string,
    private readonly prepare: Prepare,
  ) {
    super(dataDir)
  }
  override async init(...[pg, options]: Parameters<NodeFS['init']>) {
    const { emscriptenOpts } = await super.init(pg, options)
    const prepared = (module: { NODEFS?: unknown }) => this.prepare(module.NODEFS as FolderFiles)
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), prepared] } }
  }
}

/** How a file, or a folder's names, are put on the disk. Throws where they cannot be. */
export type Sync = { file(descriptor: number, path: string): void; folder(path: string): void }
export const realSync: Sync = { file: (descriptor) => fsyncSync(descriptor), folder: syncPath }

/**
 * Let what PostgreSQL syncs reach the disk. The emulated file system has no such call and says that all is well; it
 * also forgets that a new name is only there for good once its folder is synced.
 */
const reachesDisk =
  (sync: Sync): Prepare =>
  (files) => {
    const { stream_ops, node_ops } = files
    const { mknod, rename } = node_ops
    stream_ops.fsync = ({ nfd, node }) => {
      const path = files.realPath(node)
      // A folder has no descriptor of its own.
      if (nfd === undefined) sync.folder(path)
      else sync.file(nfd, path)
      return 0
    }
    node_ops.mknod = (parent, ...rest) => {
      const made = mknod(parent, ...rest)
      sync.folder(files.realPath(parent))
      return made
    }
    node_ops.rename = (node, parent, name) => {
      rename(node, parent, name)
      sync.folder(files.realPath(parent))
    }
  }

/** A database whose acknowledged commits are on the disk, and why one could not be put there, once that has happened. */
export type Durable = { pg: PGlite; unsynced: () => unknown }

/**
 * Open the database of a folder.
 *
 * @param listen is laid beneath the syncing, which calls what it leaves
 */
export async function openDurable(
  dataDir: string,
  { parsers, sync = realSync, listen = () => {} }: { parsers: ParserOptions; sync?: Sync; listen?: Prepare },
): Promise<Durable> {
  let unsynced: unknown
  /** What is thrown here does not come out of the database: it has no answer to it, and would say that all is well. */
  const noticed =
    <A extends unknown[]>(put: (...args: A) => void) =>
    (...args: A) => {
      try {
        put(...args)
      } catch (error) {
        unsynced ??= error
        throw error
      }
    }
  const reaches = reachesDisk({ file: noticed(sync.file), folder: noticed(sync.folder) })
  const prepare: Prepare = (files) => {
    listen(files)
    reaches(files)
  }
  const pg = await PGlite.create({ fs: new Folder(dataDir, prepare), startParams: durableParams, parsers })
  return { pg, unsynced: () => unsynced }
}
