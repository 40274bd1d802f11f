import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openData } from '~server/services/open-data.server'
import { buildOfTests } from '~test/worlds/store'
import { loadDemoWorld } from '../demo/load'
import { runKept } from './kept'

const top = mkdtempSync(join(tmpdir(), 'siphon-cli-'))
const at = (name: string) => join(top, name)
const asked = async (command: string, ...words: string[]) => {
  const { exitCode, stdout, stderr } = await runKept(command, words)
  return { exitCode, said: stdout === '' ? stderr : JSON.parse(stdout) }
}

beforeAll(async () => {
  process.env.SIPHON_DATA = at('data')
  const { db } = await openData(at('data'), buildOfTests())
  await loadDemoWorld(db, new Date('2026-05-04T08:00:00Z'))
  await db.close()
})
afterAll(() => rmSync(top, { recursive: true, force: true }))

test('a shop is backed up and restored elsewhere; over data that stand it is not', async () => {
  expect(await asked('backup', at('a.backup'))).toMatchObject({ exitCode: 0, said: { path: at('a.backup') } })
  expect(await asked('restore', at('a.backup'), at('other'))).toMatchObject({
    exitCode: 0,
    said: { jobs: 6 },
  })
  expect(await asked('restore', at('a.backup'))).toMatchObject({
    exitCode: 2,
    said: expect.stringContaining('left alone'),
  })
})

test('everything is exported, verifies, and is imported elsewhere with its people, who need new PINs', async () => {
  expect((await asked('export', at('all.jsonl'))).exitCode).toBe(0)
  const { said } = await asked('verify', at('all.jsonl'))
  expect(said).toMatchObject({ valid: true, records: 3 })
  expect((await asked('verify', at('all.jsonl'), '--key', said.key.slice(0, 16))).exitCode).toBe(0)
  expect(await asked('verify', at('all.jsonl'), '--key', 'ffff')).toMatchObject({
    exitCode: 2,
    said: expect.stringContaining('another key'),
  })
  process.env.SIPHON_DATA = at('imported')
  expect((await asked('import', at('all.jsonl'))).exitCode).toBe(0)
  expect(await asked('reset-pin', 'Una Brack', '1234')).toMatchObject({
    exitCode: 2,
    said: expect.stringContaining('try that PIN first'),
  })
  expect((await asked('reset-pin', 'una brack', '4107')).exitCode).toBe(0)
  process.env.SIPHON_DATA = at('data')
})

test('an altered file names its line and exits 2, with nothing on stdout; a person alone is exported by name', async () => {
  await asked('export', at('one.jsonl'), '--person', 'Ilse Marrow')
  const text = readFileSync(at('one.jsonl'), 'utf8')
  writeFileSync(at('forged.jsonl'), text.replace('Ilse Marrow', 'Ilse Harrow'))
  expect(await asked('verify', at('forged.jsonl'))).toMatchObject({
    exitCode: 2,
    said: expect.stringMatching(/^line 2: /),
  })
  expect(await asked('export', at('nobody.jsonl'), '--person', 'Nobody')).toMatchObject({ exitCode: 2 })
  expect(existsSync(at('nobody.jsonl'))).toBe(false)
})

test('a command without its file, or a folder that is not there, is answered with what to do', async () => {
  expect((await asked('backup')).said).toContain('backup FILE')
  process.env.SIPHON_DATA = at('nowhere')
  expect((await asked('export', at('x.jsonl'))).said).toContain('set SIPHON_DATA')
  process.env.SIPHON_DATA = at('data')
})
