import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import type { Chance } from '~core/base/random'
import type { DiskAct } from './disk-log'

const SECTOR = 512

type Change = { at: number; bytes: Uint8Array } | { size: number }
/** A file on the disk: what is there for good, and what was written since and may or may not be. */
type Inode = { safe: Buffer; loose: Change[] }
type Naming =
  | { did: 'make'; path: string; inode: Inode }
  | { did: 'rename'; path: string; to: string; inode: Inode }
  | { did: 'unlink'; path: string }

/**
 * A disk that keeps what was synced, and of the rest what chance leaves: any of the writes since, in any file, each
 * whole or torn between two sectors; and of the names that were changed since their folder was synced only the first
 * so many, since a file system journals them in order.
 */
export class Disk {
  private readonly safeNames = new Map<string, Inode>()
  private names = new Map<string, Inode>()
  private looseNames: Naming[] = []
  readonly acknowledged: string[] = []
  private readonly folders: string[] = []

  constructor(dir: string) {
    const walk = (at: string) => {
      for (const entry of readdirSync(at, { withFileTypes: true })) {
        const path = join(at, entry.name)
        if (entry.isDirectory()) {
          this.folders.push(relative(dir, path))
          walk(path)
        } else this.safeNames.set(relative(dir, path), { safe: readFileSync(path), loose: [] })
      }
    }
    walk(dir)
    this.names = new Map(this.safeNames)
    this.dir = dir
  }
  private readonly dir: string

  apply(act: DiskAct): void {
    if (act.did === 'acknowledge') return void this.acknowledged.push(act.eventId)
    const path = relative(this.dir, act.path)
    const inode = this.names.get(path)
    switch (act.did) {
      case 'write':
        inode?.loose.push({ at: act.at, bytes: act.bytes })
        return
      case 'cut':
        inode?.loose.push({ size: act.size })
        return
      case 'make': {
        const made: Inode = { safe: Buffer.alloc(0), loose: [] }
        this.names.set(path, made)
        this.looseNames.push({ did: 'make', path, inode: made })
        return
      }
      case 'rename':
        if (!inode) return
        this.names.delete(path)
        this.names.set(relative(this.dir, act.to), inode)
        this.looseNames.push({ did: 'rename', path, to: relative(this.dir, act.to), inode })
        return
      case 'unlink':
        this.names.delete(path)
        this.looseNames.push({ did: 'unlink', path })
        return
      case 'sync':
        if (inode) this.settle(inode)
        return
      case 'sync-folder':
        this.looseNames = this.looseNames.filter((naming) => {
          const theirs = dirname(naming.path) === (path === '' ? '.' : path)
          if (theirs) rename(this.safeNames, naming)
          return !theirs
        })
    }
  }
  private settle(inode: Inode): void {
    for (const change of inode.loose) inode.safe = changed(inode.safe, change)
    inode.loose = []
  }

  /** What a cut at this moment could have left, written into a new folder. */
  writeImage(to: string, chance: Chance): void {
    rmSync(to, { recursive: true, force: true })
    mkdirSync(to, { recursive: true })
    for (const folder of this.folders) mkdirSync(join(to, folder), { recursive: true })
    const names = new Map(this.safeNames)
    for (const naming of this.looseNames.slice(0, chance.below(this.looseNames.length + 1)))
      rename(names, naming)
    for (const [name, { safe, loose }] of names) {
      let content = loose.length > 0 ? Buffer.from(safe) : safe
      for (const change of loose) {
        const fate = chance.below(3)
        if (fate === 1) content = changed(content, change)
        if (fate === 2) content = changed(content, torn(change, chance))
      }
      writeFileSync(join(to, name), content)
    }
  }
}

function rename(names: Map<string, Inode>, naming: Naming): void {
  names.delete(naming.path)
  if (naming.did === 'make') names.set(naming.path, naming.inode)
  if (naming.did === 'rename') names.set(naming.to, naming.inode)
}

function changed(content: Buffer, change: Change): Buffer {
  if ('size' in change) return sized(content, change.size)
  const grown = sized(content, Math.max(content.length, change.at + change.bytes.length))
  grown.set(change.bytes, change.at)
  return grown
}

function sized(content: Buffer, size: number): Buffer {
  if (content.length === size) return content
  const other = Buffer.alloc(size)
  content.copy(other)
  return other
}

/** Some of a write's sectors, from its beginning on. */
function torn(change: Change, chance: Chance): Change {
  if ('size' in change) return change
  const sectors = Math.floor(change.bytes.length / SECTOR)
  return { at: change.at, bytes: change.bytes.subarray(0, SECTOR * chance.below(sectors + 1)) }
}
