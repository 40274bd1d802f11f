import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'

/** What core/ must never hold; each line is written into a file of core/ and shown to the linter. */
const impure = {
  'the clock': 'export const now = Date.now()',
  chance: 'export const luck = Math.random()',
  React: "import { useState } from 'react'\nexport const state = useState",
  Node: "import { readFileSync } from 'node:fs'\nexport const read = readFileSync",
  'the interface': "import { newId } from '../../app/lib/ids'\nexport const make = newId",
  'the interface by its short name': "import { newId } from '~/lib/ids'\nexport const make = newId",
  'the server by its short name':
    "import { openFolder } from '~server/db/pglite.server'\nexport const open = openFolder",
  'test worlds': "import { una } from '~test/worlds/scripted-job'\nexport const who = una",
  'the browser': 'export const where = window.location',
}

const found = new Map<string, string>()
const folder = mkdtempSync(join('core', 'impure-'))

beforeAll(() => {
  for (const [name, code] of Object.entries(impure))
    writeFileSync(join(folder, `${name.replace(/\W/g, '-')}.ts`), `${code}\n`)
  let report = ''
  try {
    execFileSync(
      'node_modules/.bin/biome',
      ['lint', '--vcs-enabled=false', '--reporter=json', '--max-diagnostics=none', folder],
      { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] },
    )
  } catch (error) {
    report = (error as { stdout: string }).stdout
  }
  for (const name of Object.keys(impure))
    found.set(name, report.includes(`${name.replace(/\W/g, '-')}.ts`) ? 'refused' : 'let through')
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

test.each(Object.keys(impure))('the linter keeps %s out of core/', (name) => {
  expect(found.get(name)).toBe('refused')
})
