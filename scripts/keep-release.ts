import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { brotliCompressSync, constants } from 'node:zlib'
import { RELEASE } from '~/lib/release'
import { folderAsTar } from '~server/db/disk/folder-tar.server'
import { migrationSums } from '~server/db/migrate.server'
import { exportAll } from '~server/keep/export.server'
import { openData } from '~server/services/open-data.server'
import { loadDemoWorld } from '../demo/load'

// What a release leaves behind for the tests of all later ones: a folder as it writes it, an export, and what its
// migrations were. Run once, when a release is made.
const OUT = 'test/releases'
const top = mkdtempSync(join(tmpdir(), 'siphon-release-'))
const dataDir = join(top, 'data')
const { db } = await openData(dataDir, resolve('build'))
await loadDemoWorld(db, new Date('2026-05-04T08:00:00Z'))
let text = ''
for await (const line of exportAll(db)) text += line
await db.close()

/** A folder repeats itself over many megabytes: only a window as large finds that. */
const small = (bytes: Uint8Array): Buffer =>
  brotliCompressSync(bytes, {
    params: {
      [constants.BROTLI_PARAM_QUALITY]: 9,
      [constants.BROTLI_PARAM_LGWIN]: 30,
      [constants.BROTLI_PARAM_LARGE_WINDOW]: 1,
      [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    },
  })
mkdirSync(OUT, { recursive: true })
const folder = await folderAsTar(join(dataDir, 'pg'))
writeFileSync(join(OUT, `${RELEASE}.tar.br`), small(new Uint8Array(await folder.arrayBuffer())))
writeFileSync(join(OUT, `${RELEASE}.jsonl.br`), small(Buffer.from(text)))
writeFileSync(join(OUT, 'migrations.json'), `${JSON.stringify(migrationSums(), null, 2)}\n`)
rmSync(top, { recursive: true, force: true })
console.log(`${RELEASE}: folder, export and migrations kept in ${OUT}`)
