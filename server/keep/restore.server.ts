import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import type { Readable } from 'node:stream'
import { text } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import { createGunzip } from 'node:zlib'
import tar from 'tar-stream'
import { z } from 'zod'
import { summing } from '~server/db/disk/folder-tar.server'
import { BACKUP_FORMAT, BACKUP_VERSION, MANIFEST, SUMS } from './backup.server'

const manifestSchema = z.object({
  format: z.literal(BACKUP_FORMAT),
  version: z.literal(BACKUP_VERSION),
  release: z.string(),
  postgres: z.string(),
  at: z.iso.datetime(),
})
export type Manifest = z.output<typeof manifestSchema>

/** A backup that cannot be used, and what to do. */
export class BackupFault extends Error {}

/**
 * Lay out the database of a backup in a new folder; every file is held against its sum.
 *
 * @throws BackupFault with a sentence where it is no whole backup
 */
export async function layOut(file: string, pgDir: string): Promise<Manifest> {
  const found: Record<string, string> = {}
  let manifest: Manifest | undefined
  let sums: Record<string, string> | undefined
  const extract = tar.extract()
  const unpacked = pipeline(createReadStream(file), createGunzip(), extract)
  unpacked.catch(() => undefined)
  mkdirSync(pgDir, { recursive: true, mode: 0o700 })
  try {
    for await (const entry of extract) {
      const { name, type } = entry.header
      if (type === 'directory') {
        mkdirSync(placeIn(pgDir, name), { recursive: true, mode: 0o700 })
        entry.resume()
      } else if (name === SUMS) sums = z.record(z.string(), z.string()).parse(JSON.parse(await text(entry)))
      else if (name === MANIFEST) {
        const said = await text(entry)
        manifest = manifestSchema.parse(JSON.parse(said))
        found[name] = sumOf(said)
      } else found[name] = await unpackFile(entry as unknown as Readable, placeIn(pgDir, name))
    }
    await unpacked
  } catch (error) {
    if (error instanceof BackupFault) throw error
    throw new BackupFault(
      `${file} is no backup of this program, or it is damaged (${(error as Error).message}).`,
    )
  }
  if (!manifest || !sums) throw new BackupFault(`${file} is cut off: it was not written to its end.`)
  for (const name of new Set([...Object.keys(sums), ...Object.keys(found)]))
    if (sums[name] !== found[name])
      throw new BackupFault(`${file} is damaged: ${name} is not what was backed up. Take an earlier one.`)
  return manifest
}

const sumOf = (said: string): string => createHash('sha256').update(said).digest('hex')

/** Where an entry goes; one that would leave the folder is nobody's backup. */
function placeIn(pgDir: string, name: string): string {
  const [top, ...rest] = name.split('/')
  if (top !== 'pg' || rest.some((each) => each === '..' || each === ''))
    throw new BackupFault(`it holds ${name}, which no backup does`)
  return join(pgDir, ...rest)
}

async function unpackFile(entry: Readable, path: string): Promise<string> {
  const { through, sum } = summing()
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 })
  await pipeline(entry, through, createWriteStream(path, { mode: 0o600 }))
  return sum()
}
