import { join } from 'node:path'
import type { FolderFiles, Sync } from '~server/db/disk/durable.server'

/** One thing that happened to the files of a database, in order. */
export type DiskAct =
  | { did: 'write'; path: string; at: number; bytes: Uint8Array }
  | { did: 'cut'; path: string; size: number }
  | { did: 'make'; path: string }
  | { did: 'rename'; path: string; to: string }
  | { did: 'unlink'; path: string }
  | { did: 'sync'; path: string }
  | { did: 'sync-folder'; path: string }
  /** Somebody was told that this is recorded. */
  | { did: 'acknowledge'; eventId: string }

/** As it was once: nothing reaches the disk but by chance. */
export const unsynced: Sync = { file: () => {}, folder: () => {} }

/** Writes down what a database does to its files, and what it syncs. */
export class DiskLog {
  readonly acts: DiskAct[] = []

  acknowledge(eventId: string): void {
    this.acts.push({ did: 'acknowledge', eventId })
  }
  /** Nothing has to reach the real disk for it: what would have been lost is worked out. */
  readonly sync: Sync = {
    file: (_descriptor, path) => void this.acts.push({ did: 'sync', path }),
    folder: (path) => void this.acts.push({ did: 'sync-folder', path }),
  }
  /** Laid beneath the syncing, which calls it. */
  readonly listen = (files: FolderFiles): void => {
    const { stream_ops, node_ops } = files
    const { write } = stream_ops
    const { mknod, rename, unlink, setattr } = node_ops
    stream_ops.write = (stream, buffer, offset, length, position) => {
      const bytes = buffer.slice(offset, offset + length)
      this.acts.push({ did: 'write', path: files.realPath(stream.node), at: position, bytes })
      return write(stream, buffer, offset, length, position)
    }
    node_ops.setattr = (node, attributes) => {
      setattr(node, attributes)
      if (attributes.size !== undefined)
        this.acts.push({ did: 'cut', path: files.realPath(node), size: attributes.size })
    }
    node_ops.mknod = (parent, name, ...rest) => {
      this.acts.push({ did: 'make', path: join(files.realPath(parent), name) })
      return mknod(parent, name, ...rest)
    }
    node_ops.rename = (node, parent, name) => {
      this.acts.push({ did: 'rename', path: files.realPath(node), to: join(files.realPath(parent), name) })
      rename(node, parent, name)
    }
    node_ops.unlink = (parent, name) => {
      this.acts.push({ did: 'unlink', path: join(files.realPath(parent), name) })
      unlink(parent, name)
    }
  }
}
