import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { faultLine } from '~core/base/fault'
import { verifyPieces } from '~core/ledger/export-file'
import type { Database } from '~server/db/database.server'
import { syncPath } from '~server/db/disk/sync.server'
import { engine } from '~server/db/engine.server'
import { lockDataDir } from '~server/db/lock.server'
import { migrate } from '~server/db/migrate.server'
import { keyPathOf, passingKey, shopKeyAt } from '~server/db/shop-key.server'
import { backUp } from '~server/keep/backup.server'
import { askServer } from '~server/keep/control.server'
import { exportAll, exportLogbook, exportPerson, exportRecord } from '~server/keep/export.server'
import { importExport } from '~server/keep/import.server'
import { layOut } from '~server/keep/restore.server'
import { makeWhole, openData } from '~server/services/open-data.server'
import { snapshotPath } from '~server/services/snapshot.server'
import { listPeople, resetPin } from '~server/store/people.server'
import type { Outcome } from './run'
import { keptUsage } from './usage'

/** The build that the command itself lies in. */
const buildDir = resolve(dirname(process.argv[1] ?? '.'), '..')

const done = (said: object): Outcome => ({ exitCode: 0, stdout: `${JSON.stringify(said)}\n`, stderr: '' })
const refuse = (sentence: string): Outcome => ({ exitCode: 2, stdout: '', stderr: `${sentence}\n` })

/** Commands that have to do with what is kept. */
const commands: Record<string, (words: string[]) => Promise<Outcome>> = {
  backup,
  restore,
  export: exportTo,
  import: importFrom,
  verify,
  'reset-pin': pin,
}

const dataDirHere = (): string => resolve(process.env.SIPHON_DATA ?? 'data')

/** What is wrong with the folder or the file is said in a sentence; a stack helps nobody who stands there. */
export async function runKept(command: string, words: string[]): Promise<Outcome> {
  try {
    const run = commands[command]
    return run && words.length > 0 ? await run(words) : refuse(`siphon ${keptUsage[command]}`)
  } catch (error) {
    return refuse(error instanceof Error ? error.message : String(error))
  }
}

/** Do something with the data while nobody else has it open. */
async function withData<T>(work: (db: Database, pgDir: string) => Promise<T>): Promise<T> {
  const dataDir = dataDirHere()
  if (!existsSync(join(dataDir, 'pg')))
    throw new Error(`There is no data in ${dataDir}: set SIPHON_DATA to the folder.`)
  const { db } = await openData(dataDir, buildDir)
  try {
    return await work(db, join(dataDir, 'pg'))
  } finally {
    await db.close()
  }
}

async function backup([file = '']: string[]): Promise<Outcome> {
  const to = resolve(file)
  const told = await askServer(dataDirHere(), { do: 'backup', to })
  if (told) return told.ok ? done(told.said) : refuse(told.sentence)
  return done(await withData((db, pgDir) => backUp(db, pgDir, to)))
}

async function restore([file = '', folder]: string[]): Promise<Outcome> {
  const dataDir = folder === undefined ? dataDirHere() : resolve(folder)
  return into(dataDir, async (dir) => {
    const manifest = await layOut(resolve(file), dir)
    // The log is played back, and what came of it closed, before the folder gets its name.
    const db = await engine.open(dir, passingKey())
    const [jobs] = await db.query<{ count: number }>('select count(*)::int as count from job')
    await db.close()
    return { restored: dataDir, at: manifest.at, release: manifest.release, jobs: jobs?.count }
  })
}

/** A file as it is read: a large shop's is longer than a text can be. */
const piecesOf = (file: string): AsyncIterable<string> => createReadStream(resolve(file), 'utf8')

async function importFrom([file = '']: string[]): Promise<Outcome> {
  const dataDir = dataDirHere()
  return into(dataDir, async (dir) => {
    const db = await engine.begin(dir, snapshotPath(buildDir))
    await migrate(db)
    const read = await importExport(db, () => piecesOf(file))
    await db.close()
    if (!read.ok) throw new Error(faultLine(read.fault))
    return {
      imported: dataDir,
      rows: read.rows,
      note: 'PINs are not in an export: siphon reset-pin NAME PIN',
    }
  })
}

/** Make the database of a folder that has none. */
async function into(dataDir: string, make: (dir: string) => Promise<object>): Promise<Outcome> {
  if (existsSync(join(dataDir, 'pg')))
    return refuse(`There is data in ${dataDir} already, and it is left alone: name another folder.`)
  mkdirSync(dataDir, { recursive: true, mode: 0o700 })
  const unlock = lockDataDir(dataDir)
  try {
    let said: object = {}
    await makeWhole(dataDir, async (dir) => {
      said = await make(dir)
    })
    return done(said)
  } finally {
    unlock()
  }
}

async function exportTo([file = '', which, name = '']: string[]): Promise<Outcome> {
  const to = resolve(file)
  return withCopy(async (db) => {
    const lines = await linesOf(db, which, name)
    const half = `${to}.half`
    await pipeline(Readable.from(lines), createWriteStream(half, { mode: 0o600 }))
    syncPath(half)
    renameSync(half, to)
    return done({ exported: to, key: db.shopKey.fingerprint })
  })
}

async function linesOf(
  db: Database,
  which: string | undefined,
  name: string,
): Promise<AsyncGenerator<string>> {
  if (which === undefined) return exportAll(db)
  if (which === '--logbook') return exportLogbook(db)
  if (which === '--job') return exportRecord(db, name)
  const person = (await listPeople(db)).find((each) => each.name.toLowerCase() === name.toLowerCase())
  if (which === '--person' && person) return exportPerson(db, person)
  throw new Error(which === '--person' ? `Nobody here is called ${name}.` : `siphon ${keptUsage.export}`)
}

/** The data where nobody has it open; beside a running server a copy of it, of one moment. */
async function withCopy(work: (db: Database) => Promise<Outcome>): Promise<Outcome> {
  const dir = mkdtempSync(join(tmpdir(), 'siphon-copy-'))
  try {
    const to = join(dir, 'now.backup')
    const told = await askServer(dataDirHere(), { do: 'backup', to })
    if (!told) return await withData((db) => work(db))
    if (!told.ok) return refuse(told.sentence)
    await layOut(to, join(dir, 'pg'))
    const db = await engine.open(join(dir, 'pg'), shopKeyAt(keyPathOf(dataDirHere())))
    try {
      return await work(db)
    } finally {
      await db.close()
    }
  } finally {
    rmSync(dir, { recursive: true, force: true })
  }
}

async function verify([file = '', option, key = '']: string[]): Promise<Outcome> {
  const verified = await verifyPieces(piecesOf(file))
  if (!verified.valid) return refuse(faultLine(verified.fault))
  const { scope, records, head, keys } = verified
  const wanted = key.replaceAll(/\s/g, '').toLowerCase()
  if (option === '--key' && !verified.ledger.key.startsWith(wanted))
    return refuse(`line 1.body.publicKey: it is signed by another key, ${verified.key}`)
  return done({ valid: true, scope, records, head, key: verified.ledger.key, keys })
}

async function pin([name = '', next = '']: string[]): Promise<Outcome> {
  const told = await askServer(dataDirHere(), { do: 'reset-pin', name, pin: next })
  if (told) return told.ok ? done(told.said) : refuse(told.sentence)
  const fault = await withData((db) => resetPin(db, name, next))
  return fault === undefined ? done({ name, pin: 'set' }) : refuse(fault)
}
