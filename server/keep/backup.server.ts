import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream, readFileSync, renameSync, rmSync } from 'node:fs'
import { readdir, stat, statfs } from 'node:fs/promises'
import { dirname, join, resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import tar, { type Pack } from 'tar-stream'
import { RELEASE } from '~/lib/release'
import type { Queries } from '~server/db/database.server'
import { withoutCheckpoints } from '~server/db/disk/at-rest.server'
import { entriesOf, summing } from '~server/db/disk/folder-tar.server'
import { syncPath } from '~server/db/disk/sync.server'
import { RESERVE_BYTES } from '~server/db/storage.server'

export const BACKUP_FORMAT = 'ruddy-siphon.backup'
export const BACKUP_VERSION = 1
/** What the archive says of itself comes first, the sum of every file last. */
export const MANIFEST = 'manifest.json'
export const SUMS = 'sums.json'
export const LABEL = 'pg/backup_label'

/** What a running PostgreSQL keeps beside its data, and what another one must not find. */
const NOT_DATA = /^(pg_wal\/|postmaster\.|pg_stat_tmp\/|pgsql_tmp|pg_replslot\/|backup_label|tablespace_map)/

const MB = 1e6

export type Backup = { path: string; bytes: number; at: string }

/** One at a time: PostgreSQL has one such state, and a disk one head. */
let running: Promise<Backup> | undefined

/**
 * Write everything of a database into one file, while it goes on. What is committed before the end is in it, of one
 * moment: pages that changed while they were copied are made whole again from the log, which goes along.
 *
 * @param pgDir the folder of the database
 * @param to where the file is to stand; it stands there whole or not at all
 * @source PostgreSQL 18, 25.3.4, Making a Base Backup Using the Low Level API
 */
export function backUp(db: Queries, pgDir: string, to: string): Promise<Backup> {
  running = Promise.resolve(running)
    .catch(() => undefined)
    .then(() => withoutCheckpoints(() => write(db, pgDir, resolve(to))))
  return running
}

/** @throws Error with a sentence where it might not find room: it must not take what the shop's own acts need */
async function mayHold(dir: string, pgDir: string): Promise<void> {
  let bytes = 0
  for await (const { path, kind } of entriesOf(pgDir))
    if (kind === 'file') bytes += await stat(path).then(({ size }) => size, gone(0))
  const { bavail, bsize } = await statfs(dir)
  const [needed, left] = [bytes + RESERVE_BYTES, bavail * bsize]
  if (left < needed)
    throw new Error(
      `No backup is made in ${dir}: it may need ${Math.ceil(needed / MB)} MB there, and ${Math.floor(left / MB)} MB are left. Make room, or name another folder in SIPHON_BACKUPS.`,
    )
}

/** What stands for a file that went since it was listed: it is not needed any more. */
const gone =
  <T>(instead: T) =>
  (error: NodeJS.ErrnoException): T => {
    if (error.code === 'ENOENT') return instead
    throw error
  }

async function write(db: Queries, pgDir: string, to: string): Promise<Backup> {
  await mayHold(dirname(to), pgDir)
  const at = new Date().toISOString()
  const half = `${to}.half`
  const pack = tar.pack()
  const sums: Record<string, string> = {}
  const written = pipeline(pack, createGzip({ level: 1 }), createWriteStream(half, { mode: 0o600 }))
  // Its failure is met below, where it is waited for.
  written.catch(() => undefined)
  try {
    packText(pack, sums, MANIFEST, JSON.stringify(manifestOf(pgDir, at)))
    const [begun] = await db.query<{ segment: string }>(
      `select pg_walfile_name(pg_backup_start('siphon', true)) as segment`,
    )
    let ended: { labelfile: string } | undefined
    try {
      for await (const { name, path, kind } of entriesOf(pgDir)) {
        if (NOT_DATA.test(name)) continue
        if (kind === 'directory') pack.entry({ name: `pg/${name}`, type: 'directory' })
        else await packSummed(pack, sums, `pg/${name}`, path)
      }
    } finally {
      ;[ended] = await db.query<{ labelfile: string }>('select labelfile from pg_backup_stop(false)')
    }
    const wal = join(pgDir, 'pg_wal')
    pack.entry({ name: 'pg/pg_wal', type: 'directory' })
    for (const segment of (await readdir(wal)).sort())
      if (/^[0-9A-F]{24}$/.test(segment) && segment >= (begun?.segment ?? ''))
        await packSummed(pack, sums, `pg/pg_wal/${segment}`, join(wal, segment))
    packText(pack, sums, LABEL, ended?.labelfile ?? '')
    packText(pack, {}, SUMS, JSON.stringify(sums))
    pack.finalize()
    await written
    syncPath(half)
    renameSync(half, to)
    syncPath(dirname(to))
  } catch (error) {
    pack.destroy(error as Error)
    rmSync(half, { force: true })
    throw error
  }
  return { path: to, bytes: (await stat(to)).size, at }
}

const manifestOf = (pgDir: string, at: string) => ({
  format: BACKUP_FORMAT,
  version: BACKUP_VERSION,
  release: RELEASE,
  postgres: readFileSync(join(pgDir, 'PG_VERSION'), 'utf8').trim(),
  at,
})

function packText(pack: Pack, sums: Record<string, string>, name: string, text: string): void {
  pack.entry({ name }, text)
  sums[name] = createHash('sha256').update(text).digest('hex')
}

/** One file, with the sum of what was taken of it. */
async function packSummed(
  pack: Pack,
  sums: Record<string, string>,
  name: string,
  path: string,
): Promise<void> {
  const size = await stat(path).then((found) => found.size, gone(undefined))
  if (size === undefined) return
  const { through, sum } = summing()
  if (size === 0) pack.entry({ name }, '')
  else await pipeline(createReadStream(path, { end: size - 1 }), through, pack.entry({ name, size }))
  sums[name] = sum()
}
