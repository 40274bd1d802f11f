import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { brotliDecompressSync, constants } from 'node:zlib'
import tar from 'tar-stream'
import { afterAll, expect, test } from 'vitest'
import { newId } from '~/lib/ids'
import { carefulAct, carefulProof } from '~core/job/careful'
import type { JobEvent, Unstamped } from '~core/job/events'
import { checksFor } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'
import { jobTally, wasteMl } from '~core/job/tally'
import { verifyExport } from '~core/ledger/export-file'
import { exportAll } from '~server/keep/export.server'
import { importExport } from '~server/keep/import.server'
import { standingBackups } from '~server/keep/nightly.server'
import { appendEvents } from '~server/services/append.server'
import { openData } from '~server/services/open-data.server'
import { filedDocument } from '~server/services/record.server'
import { filedJobs, findJob, openJobs } from '~server/store/jobs.server'
import { osk, una } from '~test/worlds/scripted-job'
import { newStore } from '~test/worlds/store'

const KEPT = 'test/releases'
const top = mkdtempSync(join(tmpdir(), 'siphon-releases-'))
afterAll(() => rmSync(top, { recursive: true, force: true }))

const kept = (name: string): Buffer =>
  brotliDecompressSync(readFileSync(join(KEPT, name)), {
    params: { [constants.BROTLI_DECODER_PARAM_LARGE_WINDOW]: 1 },
  })

async function* piecesOf(text: string): AsyncGenerator<string> {
  yield text
}

/** The data folder of a release, laid out as it left it. */
async function folderOf(release: string): Promise<string> {
  const dataDir = join(top, release)
  const extract = tar.extract()
  extract.end(kept(`${release}.tar.br`))
  mkdirSync(dataDir, { recursive: true, mode: 0o700 })
  for await (const entry of extract) {
    const path = join(dataDir, 'pg', entry.header.name.replace(/^\/?(pg\/)?/, ''))
    if (entry.header.type === 'directory') mkdirSync(path, { recursive: true, mode: 0o700 })
    else {
      const parts: Buffer[] = []
      for await (const part of entry) parts.push(part as Buffer)
      mkdirSync(dirname(path), { recursive: true, mode: 0o700 })
      writeFileSync(path, Buffer.concat(parts), { mode: 0o600 })
    }
    entry.resume()
  }
  return dataDir
}

const releases = readdirSync(KEPT).flatMap((name) => /^(.*)\.tar\.br$/.exec(name)?.[1] ?? [])

test.each(releases)(
  'the folder that release %s wrote opens, its jobs read, one of them is gone on with and filed, and all of it verifies',
  async (release) => {
    const dataDir = await folderOf(release)
    const { db, first } = await openData(dataDir, top)
    expect(first).toBe(false)
    const filed = await filedJobs(db)
    expect(filed.length).toBeGreaterThan(2)
    for (const { id } of [...filed, ...(await openJobs(db))])
      expect((await findJob(db, id))?.plate).toBeTruthy()
    const begun = (await openJobs(db)).find(({ station }) => station === 'bleed')
    const jobId = begun?.id ?? ''
    let state = (await findJob(db, jobId)) as JobState
    const go = async (act: Unstamped<JobEvent>) => {
      const event = { by: una, ...act, id: newId(), at: new Date().toISOString() } as JobEvent
      const appended = await appendEvents(db, jobId, [event])
      if (!appended.ok) throw new Error(`${act.type}: ${appended.refusal.code}`)
      state = appended.state
    }
    for (let act = carefulAct(state); act; act = carefulAct(state)) await go(act)
    for (const check of checksFor(state)) for (const act of carefulProof(state, check)) await go(act)
    const waste = Math.round(wasteMl(jobTally(state)))
    await go({ type: 'filed', outcome: 'fit', doneBy: una.name, checkedBy: osk, note: '', wasteMl: waste })
    expect((await filedDocument(db, jobId))?.outcome?.words).toBe('Fit to drive')
    let text = ''
    for await (const line of exportAll(db)) text += line
    expect(verifyExport(text)).toMatchObject({ valid: true, records: filed.length + 1 })
    await db.close()
    // Each of them lacks a migration of today, and is backed up before it is brought forward.
    expect(standingBackups(join(dataDir, 'backups'))).toHaveLength(1)
  },
)

test.each(readdirSync(KEPT).filter((name) => name.endsWith('.jsonl.br')))(
  'the export %s verifies and is imported',
  async (name) => {
    const text = kept(name).toString('utf8')
    expect(verifyExport(text)).toMatchObject({ valid: true })
    const db = await newStore()
    expect(await importExport(db, () => piecesOf(text))).toMatchObject({ ok: true })
    for (const { id } of await filedJobs(db)) expect((await findJob(db, id))?.filed).toBeDefined()
    await db.close()
  },
)
