import { createHash } from 'node:crypto'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { newId } from '~/lib/ids'
import { verifyExport } from '~core/ledger/export-file'
import type { Database } from '~server/db/database.server'
import { migrate, migrationSums } from '~server/db/migrate.server'
import { openFolder } from '~server/db/pglite.server'
import { passingKey } from '~server/db/shop-key.server'
import { appendEvents } from '~server/services/append.server'
import { openData } from '~server/services/open-data.server'
import { openJob } from '~server/services/open-job.server'
import { filedJobs, findJob, openJobs } from '~server/store/jobs.server'
import { findVehicle, listVehicles } from '~server/store/vehicles.server'
import { buildOfTests, newStore } from '~test/worlds/store'
import { loadDemoWorld } from '../../demo/load'
import { backUp } from './backup.server'
import { exportAll, exportLogbook, exportPerson, exportRecord } from './export.server'
import { importExport } from './import.server'
import { isDue, isOverdue, standingBackups } from './nightly.server'
import { BackupFault, layOut } from './restore.server'

const folder = mkdtempSync(join(tmpdir(), 'siphon-keep-'))
const dataDir = join(folder, 'data')
const pgDir = join(dataDir, 'pg')
let db: Database

beforeAll(async () => {
  db = (await openData(dataDir, buildOfTests())).db
  await loadDemoWorld(db, new Date('2026-05-04T08:00:00Z'))
})
afterAll(async () => {
  await db.close()
  rmSync(folder, { recursive: true, force: true })
})

/** A text as a file would be read: in pieces that end anywhere. */
async function* piecesOf(text: string): AsyncGenerator<string> {
  for (let at = 0; at < text.length; at += 65_521) yield text.slice(at, at + 65_521)
}
async function textOf(lines: AsyncGenerator<string>): Promise<string> {
  let text = ''
  for await (const line of lines) text += line
  return text
}

/** Every file of a folder by its own sum. */
const filesIn = (dir: string): Record<string, string> =>
  Object.fromEntries(
    readdirSync(dir, { recursive: true, encoding: 'utf8' })
      .map((name) => join(dir, name))
      .filter((path) => statSync(path).isFile())
      .map((path) => [relative(dir, path), createHash('sha256').update(readFileSync(path)).digest('hex')]),
  )

describe('a backup', () => {
  test('made while jobs are opened restores to one moment: every job that was there when it ended', async () => {
    const file = join(folder, 'now.backup')
    const [vehicle] = await listVehicles(db)
    const stored = await findVehicle(db, vehicle?.id ?? '')
    if (!stored) throw new Error('the demo has vehicles')
    const before = (await openJobs(db)).length
    let backedUp = false
    const backup = backUp(db, pgDir, file).finally(() => {
      backedUp = true
    })
    let opened = 0
    while (!backedUp) {
      await openJob(db, stored, new Date().toISOString(), {})
      opened++
      // Somebody works, and not as fast as a machine can.
      await setTimeout(20)
    }
    await backup
    const dir = join(folder, 'restored')
    await layOut(file, dir)
    const restored = await openFolder(dir, passingKey())
    const jobs = (await openJobs(restored)).length
    expect(opened).toBeGreaterThan(5)
    expect(jobs).toBeGreaterThan(before)
    expect(jobs).toBeLessThanOrEqual(before + opened)
    for (const { id } of (await openJobs(restored)).slice(0, 5))
      expect(await findJob(restored, id)).toEqual(await findJob(db, id))
    await restored.close()
  })

  test('cut off is refused with a sentence; with one bit changed it is refused too, or lays out the very same', async () => {
    const file = join(folder, 'broken.backup')
    await backUp(db, pgDir, file)
    const bytes = readFileSync(file)
    const laidOut = async (spoilt: Buffer, name: string) => {
      writeFileSync(join(folder, `${name}.backup`), spoilt)
      await layOut(join(folder, `${name}.backup`), join(folder, name))
      return filesIn(join(folder, name))
    }
    const whole = await laidOut(bytes, 'whole')
    await expect(laidOut(bytes.subarray(0, bytes.length / 2), 'cut')).rejects.toThrow(/damaged|cut off/)
    let refused = 0
    for (const share of [0.1, 0.3, 0.5, 0.7, 0.9]) {
      const at = Math.floor(share * bytes.length)
      const spoilt = Buffer.from(bytes)
      spoilt[at] = (bytes[at] ?? 0) ^ 1
      try {
        // One run of zeros may be told in two ways: another bit, and the same bytes come out.
        expect(await laidOut(spoilt, `bit-${at}`)).toEqual(whole)
      } catch (error) {
        if (!(error instanceof BackupFault)) throw error
        expect(error.message).toMatch(/damaged|cut off/)
        refused++
      }
    }
    expect(refused).toBeGreaterThan(0)
  })

  test('is due in the night after a day, and overdue after a day and a half', () => {
    const made = '2026-05-04T02:00:00.000'
    const at = (text: string) => new Date(`2026-05-${text}`)
    expect(isDue(made, at('04T20:00'))).toBe(false)
    expect(isDue(made, at('05T02:00'))).toBe(true)
    expect(isDue(undefined, at('04T12:00'))).toBe(true)
    expect(isOverdue(made, at('05T10:00'))).toBe(false)
    expect(isOverdue(made, at('05T15:00'))).toBe(true)
  })
})

describe('an export', () => {
  test('of everything is imported into a new database and exports to the same rows again', async () => {
    const text = await textOf(exportAll(db))
    const other = await newStore(undefined, db.shopKey)
    expect(await importExport(other, () => piecesOf(text))).toMatchObject({ ok: true })
    const rows = (lines: string) =>
      lines.split('\n').flatMap((line) => (line.includes('"kind":"row"') ? [JSON.parse(line).body] : []))
    expect(rows(await textOf(exportAll(other)))).toEqual(rows(text))
    await other.close()
  })

  test('of everything, the logbook, one job and one person verifies, each with the records that it holds', async () => {
    const filed = await filedJobs(db)
    const [job] = filed
    const [person] = await db.query<{ id: string; name: string }>(
      `select id, name from person where name = 'Una Brack'`,
    )
    if (!job || !person) throw new Error('the demo has filed jobs and people')
    const records = async (lines: AsyncGenerator<string>) => {
      const verified = verifyExport(await textOf(lines))
      return verified.valid ? verified.records : verified.fault
    }
    expect(await records(exportAll(db))).toBe(filed.length)
    expect(await records(exportLogbook(db))).toBe(filed.length)
    expect(await records(exportRecord(db, job.id))).toBe(1)
    expect(await records(exportPerson(db, person))).toBe(0)
  })

  test('that is read while something is added to a record holds what stood when it was begun, and verifies', async () => {
    const [job] = await filedJobs(db)
    const add = async () => {
      const at = new Date().toISOString()
      const addendum = { id: newId(), at, type: 'addendum' as const, text: 'the customer called' }
      expect((await appendEvents(db, job?.id ?? '', [addendum])).ok).toBe(true)
    }
    for (const lines of [exportRecord(db, job?.id ?? ''), exportLogbook(db)]) {
      let text = ''
      for await (const line of lines) {
        text += line
        // Its events, or the records, are read by now, and the logbook is not.
        if (line.includes('"table":"record"')) await add()
      }
      expect(verifyExport(text)).toMatchObject({ valid: true })
    }
  })

  test('holds no PIN, and of a person alone nothing of anybody else’s', async () => {
    expect(await textOf(exportAll(db))).not.toContain('argon2')
    const [una] = await db.query<{ id: string; name: string }>(
      `select id, name from person where name = 'Ilse Marrow'`,
    )
    const lines = await textOf(exportPerson(db, una ?? { id: '', name: '' }))
    expect(lines).toContain('Ilse Marrow')
    expect(lines).not.toContain('"name":"Una Brack"')
  })
})

describe('a folder', () => {
  test('changed by hand is found: an event, a frozen record, an entry of the logbook', async () => {
    const dir = join(folder, 'forged')
    await backUp(db, pgDir, join(folder, 'forge.backup'))
    await layOut(join(folder, 'forge.backup'), dir)
    const forged = await openFolder(dir, db.shopKey)
    const found = async (sql: string) => {
      await forged.exec(`begin; ${sql}`)
      const verified = verifyExport(await textOf(exportAll(forged)))
      await forged.exec('rollback')
      return verified.valid ? 'nothing' : verified.fault.path
    }
    const text = 'replace(%::text, \'"by":{"id"\', \'"by": {"id"\')'
    expect(await found('select 1')).toBe('nothing')
    // The same value in another text is the same value.
    expect(await found(`update record set state = (${text.replace('%', 'state')})::json`)).toBe('nothing')
    expect(
      await found(
        `update job_event set body = jsonb_set(body::jsonb, '{at}', '"2020-01-01T00:00:00Z"')::json where seq = 2`,
      ),
    ).toMatch(/^job \w+\.event 2$/)
    expect(await found(`delete from job_event where seq = 3`)).toMatch(/^job \w+\.event 4$/)
    expect(
      await found(`update record set state = jsonb_set(state::jsonb, '{plate}', '"X 1"')::json`),
    ).toMatch(/^record /)
    expect(await found(`delete from record`)).toMatch(/^record /)
    expect(await found(`delete from logbook_entry where seq = 2`)).toMatch(/^logbook\.2/)
    expect(await found(`update logbook_entry set signature = repeat('0', 128) where seq = 2`)).toBe(
      'logbook.2.signature',
    )
    await forged.close()
  })

  test('of a release that is newer, or that had other migrations, is refused with a sentence', async () => {
    const pg = await newStore()
    await pg.query(`insert into migration (name) values ('9999-of-another-time')`)
    await expect(migrate(pg)).rejects.toThrow(/newer release .*9999-of-another-time/)
    await pg.query(`delete from migration where name like '9999%'`)
    await pg.query(`update migration set sum = 'other' where name = '0003-units'`)
    await expect(migrate(pg)).rejects.toThrow(/another 0003-units/)
    await pg.close()
  })

  test('half made by a start that was ended is made anew; one without its control file is said to be no whole one', async () => {
    const half = join(folder, 'half')
    mkdirSync(join(half, 'pg.half', 'base'), { recursive: true })
    // From no snapshot: all that a first start does is done here.
    const opened = await openData(half, join(folder, 'no-build'))
    expect(opened.first).toBe(true)
    await opened.db.close()
    expect(readdirSync(half)).not.toContain('pg.half')
    const torn = join(folder, 'torn')
    mkdirSync(join(torn, 'pg'), { recursive: true })
    await expect(openData(torn, buildOfTests())).rejects.toThrow(/not whole/)
  })

  test('of another PostgreSQL is refused with the way over', async () => {
    const old = join(folder, 'old')
    mkdirSync(join(old, 'pg', 'global'), { recursive: true })
    writeFileSync(join(old, 'pg', 'global', 'pg_control'), '')
    writeFileSync(join(old, 'pg', 'PG_VERSION'), '17\n')
    await expect(openData(old, buildOfTests())).rejects.toThrow(
      /PostgreSQL 17.*siphon export.*siphon import/s,
    )
  })

  test('that lacks a migration is backed up before it is brought forward', async () => {
    const earlier = join(folder, 'earlier')
    mkdirSync(earlier)
    const pg = await newStore(join(earlier, 'pg'))
    // As the release before the logbook left it.
    await pg.exec(
      `drop table logbook_entry; drop table follow_up; alter table job_event drop column link;
       alter table person add column failed integer not null default 0, add column locked_until timestamptz;
       delete from migration where name >= '0009'`,
    )
    await pg.close()
    const copy = join(folder, 'earlier-copy')
    cpSync(earlier, copy, { recursive: true })
    const { db: now } = await openData(copy, buildOfTests())
    await now.close()
    const [made] = standingBackups(join(copy, 'backups'))
    expect(existsSync(made?.path ?? '')).toBe(true)
    await layOut(made?.path ?? '', join(folder, 'earlier-restored'))
    const before = await openFolder(join(folder, 'earlier-restored'), passingKey())
    expect(await before.query(`select name from migration where name >= '0009'`)).toEqual([])
    await before.close()
  })
})

test('a migration that was released is never edited: each has the sum that it was released with', () => {
  expect(migrationSums()).toMatchObject(JSON.parse(readFileSync('test/releases/migrations.json', 'utf8')))
})
