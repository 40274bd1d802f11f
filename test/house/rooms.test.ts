import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import { expect, test } from 'vitest'

/** Rooms of the program around core/, and into which others each may look. */
const mayLookInto: Record<string, readonly string[]> = {
  'app/lib': [],
  'app/record': ['app/lib'],
  'app/ui': ['app/lib'],
  'app/client': ['app/lib'],
  'app/components': ['app/client', 'app/ui', 'app/lib'],
  'server/db': ['app/lib'],
  'server/store': ['server/db', 'app/lib'],
  'server/live': ['server/store'],
  'server/keep': ['server/store', 'server/db', 'app/lib'],
  'server/services': ['server/keep', 'server/live', 'server/store', 'server/db', 'app/record', 'app/lib'],
  'server/devices': [],
  'server/http': ['server/services', 'server/live', 'server/store', 'server/db', 'app/lib'],
}

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', 'app', 'server'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter((name) => /\.tsx?$/.test(name) && !/\.test\.ts$|for-tests/.test(name) && existsSync(name))
const roomOf = (path: string) => path.split('/').slice(0, 2).join('/')
/** Types alone are no arrow: they are gone when it runs. */
const IMPORT = /import (?!type)[^']*?from '([^']+)'/g

const arrows = (file: string, code: string): string[] =>
  [...code.matchAll(IMPORT)].flatMap(([, to = '']) => {
    if (to.startsWith('~/')) return [to.replace('~/', 'app/')]
    if (to.startsWith('~server/')) return [to.replace('~server/', 'server/')]
    return to.startsWith('.') ? [normalize(join(dirname(file), to))] : []
  })

const wrong = (file: string, code: string): string[] => {
  const allowed = mayLookInto[roomOf(file)]
  return (
    arrows(file, code)
      .filter((to) => allowed && roomOf(to) !== roomOf(file) && !allowed.includes(roomOf(to)))
      // Units and theme come with the page's frame, and what a release is called with the package.
      .filter((to) => to !== 'app/root' && to !== 'package.json')
      .map((to) => `${file} -> ${to}`)
  )
}

test('arrows between the rooms go one way: routes to client and core, http to services to store to db', () => {
  expect(files.flatMap((file) => wrong(file, readFileSync(file, 'utf8')))).toEqual([])
})

test('an arrow the wrong way would be seen', () => {
  expect(wrong('server/store/x.server.ts', "import { x } from '~server/services/y.server'")).toHaveLength(1)
  expect(wrong('app/ui/x.tsx', "import { x } from '../routes/plan/plan'")).toHaveLength(1)
})

test('nothing but its adapter knows which database it is', () => {
  const knowing = files.filter((file) => readFileSync(file, 'utf8').includes("'@electric-sql/pglite'"))
  expect(knowing.filter((file) => !file.startsWith('server/db/'))).toEqual([])
  const opening = files.filter((file) => readFileSync(file, 'utf8').includes('pglite.server'))
  expect(opening.filter((file) => !file.startsWith('server/db/'))).toEqual([])
})

/** What reaches the browser: everything but what only the server runs. */
const forBrowser = (file: string) => !file.includes('.server.') && !file.startsWith('server/')

test('what only the server runs is looked into by routes alone', () => {
  const looking = files.filter(
    (file) =>
      forBrowser(file) &&
      !/^app\/(routes\/|root\.tsx|record\/)/.test(file) &&
      arrows(file, readFileSync(file, 'utf8')).some((to) => to.includes('.server')),
  )
  expect(looking).toEqual([])
})
