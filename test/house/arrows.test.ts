import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import { expect, test } from 'vitest'

/** Folders of core/, lowest first: each may look at those before it and at itself. */
const floors = [
  'base',
  'ledger',
  'door',
  'units',
  'physics',
  'fluid',
  'scale',
  'words',
  'procedure',
  'vehicle',
  'scan-tool',
  'rig',
  'technique',
  'plan',
  'diagnosis',
  'repair-sheets',
  'job',
  'stock',
  'cab',
  'linemap',
  'calculators',
]

const files = readdirSync('core', { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.startsWith('impure-'),
)
const IMPORT = /(?:from|import\() *'(\.{1,2}\/[^']+)'/g

/** Imports of a file that lead to a higher floor, or out of core/. */
function upwards(file: string): string[] {
  const own = floors.indexOf(file.split('/')[0] ?? '')
  return [...readFileSync(join('core', file), 'utf8').matchAll(IMPORT)]
    .map(([, to = '']) => normalize(join(dirname(file), to)))
    .filter((to) => floors.indexOf(to.split('/')[0] ?? '') > own || to.startsWith('..'))
    .map((to) => `${file} -> ${to}`)
}

test('every folder of core/ has its floor', () => {
  expect(
    [...new Set(files.map((file) => file.split('/')[0]))].filter((each) => !floors.includes(each ?? '')),
  ).toEqual([])
})

test('arrows between the folders of core/ go one way: towards base', () => {
  expect(files.flatMap(upwards)).toEqual([])
})

test('an arrow upwards would be seen', () => {
  expect(floors.indexOf('plan')).toBeLessThan(floors.indexOf('job'))
  expect([...`import { x } from '../job/state'`.matchAll(IMPORT)]).toHaveLength(1)
})
