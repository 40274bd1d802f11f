import { cpSync, mkdtempSync, openSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, test, vi } from 'vitest'
import { backTo, screenCookie, screenToken } from '~server/http/who.server'
import { newStore } from '~test/worlds/store'
import type { Database } from './database.server'
import { openFolder } from './pglite.server'
import { passingKey } from './shop-key.server'
import { guarded, isStorageFault, mayWrite, StorageFault } from './storage.server'

const folder = mkdtempSync(join(tmpdir(), 'siphon-storage-'))

/** A database on a disk that breaks at the second question, as PostgreSQL tells it. */
function breaking(code: string): Database & { asked: number } {
  const fails = async () => {
    if (++db.asked < 2) return []
    throw Object.assign(new Error('No space left on device'), { code })
  }
  const db = {
    asked: 0,
    query: fails as Database['query'],
    transaction: fails as unknown as Database['transaction'],
    writable: async () => {},
    close: async () => {},
    shopKey: passingKey(),
  }
  return db
}

describe('a store that fails', () => {
  test('after a disk error nothing is asked of it any more, and every question is answered with what to do', async () => {
    const db = breaking('58030')
    const safe = guarded(db, folder)
    await safe.query('select 1')
    for (let i = 0; i < 3; i++)
      await expect(safe.query('select 1')).rejects.toMatchObject({
        name: 'StorageFault',
        code: 'failed',
        message: expect.stringContaining('start the program again'),
      })
    expect(db.asked).toBe(2)
  })

  test('one statement that finds no room is told so, and the store goes on', async () => {
    const db = breaking('53100')
    const safe = guarded(db, folder)
    await safe.query('select 1')
    for (let i = 0; i < 2; i++)
      await expect(safe.query('select 1')).rejects.toMatchObject({
        name: 'StorageFault',
        code: 'disk-full',
        message: expect.stringContaining('Make room'),
      })
    expect(db.asked).toBe(3)
  })

  test('what could be opened only to be read is opened to go on with once the disk is mended', async () => {
    const working = { ...breaking('58030'), query: async () => [{ works: true }] } as unknown as Database
    let mended = false
    const safe = guarded(breaking('58030'), folder, async () =>
      mended
        ? { db: working }
        : { db: working, onlyRead: new StorageFault('read-only', 'the folder is read-only') },
    )
    await safe.query('select 1')
    await expect(safe.query('select 1')).rejects.toMatchObject({ code: 'failed' })
    await expect(safe.query('insert into job values (1)')).rejects.toMatchObject({ code: 'read-only' })
    expect(await safe.query('select 1')).toEqual([{ works: true }])
    mended = true
    expect(await safe.query('insert into job values (1)')).toEqual([{ works: true }])
  })

  test('any other fault stays what it is, and the store goes on', async () => {
    const db = breaking('23505')
    const safe = guarded(db, folder)
    await safe.query('select 1')
    await expect(safe.query('select 1')).rejects.toMatchObject({ code: '23505' })
    await expect(safe.query('select 1')).rejects.toMatchObject({ code: '23505' })
    expect(db.asked).toBe(3)
  })

  test('a folder that is not there cannot be written to, and reading is not kept from anybody', async () => {
    const gone = join(folder, 'gone')
    await expect(mayWrite(gone)).rejects.toMatchObject({ code: 'read-only' })
    const safe = guarded(breaking('53100'), gone)
    await expect(safe.query('insert into job values (1)')).rejects.toMatchObject({ code: 'read-only' })
    expect(await safe.query('select 1')).toEqual([])
  })

  test('is known by name, also where another bundle made it', () => {
    expect(isStorageFault(new StorageFault('disk-full', 'full'))).toBe(true)
    expect(isStorageFault(Object.assign(new Error('full'), { name: 'StorageFault' }))).toBe(true)
    expect(isStorageFault(new Error('full'))).toBe(false)
  })
})

test('a store that is closed while it puts its log into the tables is closed after that', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  const asked: string[] = []
  const db = {
    ...breaking('58030'),
    query: async (sql: string) => void asked.push(sql),
    close: async () => void asked.push('close'),
  } as unknown as Database
  const safe = guarded(db, folder)
  await safe.query('insert into job values (1)')
  vi.runAllTimers()
  vi.useRealTimers()
  await safe.close()
  expect(asked).toEqual(['insert into job values (1)', 'checkpoint', 'close'])
})

describe('who is at this screen', () => {
  const asking = (cookie: string) => new Request('http://127.0.0.1/', { headers: { cookie } })

  test('is read from its own cookie alone', () => {
    expect(screenToken(asking('theme=dark; who=abc-123_x'))).toBe('abc-123_x')
    expect(screenToken(asking('somewho=abc'))).toBeUndefined()
    expect(screenToken(asking('who=<script>'))).toBeUndefined()
  })

  test('is kept out of reach of page scripts and other sites, and forgotten on leaving', () => {
    expect(screenCookie('abc')).toMatch(/HttpOnly; SameSite=Strict$/)
    expect(screenCookie('')).toContain('Max-Age=0')
  })

  test('goes back to an address of this program only', () => {
    expect(backTo('/jobs/x/bleed?a=1')).toBe('/jobs/x/bleed?a=1')
    for (const elsewhere of [
      '//evil.example',
      '/\\evil.example',
      'http://evil.example',
      'javascript:1',
      '',
      null,
    ])
      expect(backTo(elsewhere)).toBe('/')
  })
})

describe('a disk that fails under a real store', () => {
  const key = passingKey()
  const made = join(folder, 'made')
  beforeAll(async () => {
    const begin = await newStore(made, key)
    await begin.exec('create table act (id int)')
    await begin.close()
  })
  /** A store of one empty table, in a folder of its own. */
  const aStore = () => {
    const dir = join(mkdtempSync(join(folder, 'store-')), 'pg')
    cpSync(made, dir, { recursive: true })
    return dir
  }

  test('what cannot be synced is not acknowledged; the store is opened anew, what was acknowledged is read, and work goes on', async () => {
    const dir = aStore()
    let broken = false
    const sync = {
      file() {
        if (broken) throw new Error('EIO: i/o error, fsync')
      },
      folder() {},
    }
    const db = guarded(await openFolder(dir, key, sync), folder, async () => ({
      db: await openFolder(dir, key, sync),
    }))
    await db.query('insert into act values (1)')
    broken = true
    await expect(db.query('insert into act values (2)')).rejects.toMatchObject({
      name: 'StorageFault',
      code: 'failed',
    })
    broken = false
    expect(await db.query('select id from act where id = 1')).toEqual([{ id: 1 }])
    await db.query('insert into act values (3)')
    expect(await db.query('select id from act where id = 3')).toEqual([{ id: 3 }])
    await db.close()
  })

  const breaks: [string, Write, RegExp][] = [
    ['a trap', () => unreachable(), /\(unreachable\)/],
    ['a full disk', (write) => write(FULL), /PostgreSQL stopped itself/],
    ['a file that takes nothing', (write) => write(READ_ONLY), /PostgreSQL stopped itself/],
  ]
  test.each(breaks)(
    '%s in the midst of a write is told in a sentence; nothing acknowledged is lost, and reading and work go on',
    async (_what, breakIt, says) => {
      const dir = aStore()
      let broken = false
      const open = () =>
        openFolder(dir, key, undefined, (files) => {
          const { write } = files.stream_ops
          files.stream_ops.write = (stream, ...rest) =>
            broken ? breakIt((nfd) => write({ ...stream, nfd }, ...rest)) : write(stream, ...rest)
        })
      const db = guarded(await open(), folder, async () => ({ db: await open() }))
      await db.query('insert into act values (1)')
      broken = true
      const asked = db.query('insert into act values (2)')
      await expect(asked).rejects.toMatchObject({ name: 'StorageFault', code: 'failed' })
      await expect(asked).rejects.toThrow(says)
      await expect(asked).rejects.toThrow('Nothing of this act was recorded')
      broken = false
      expect(await db.query('select id from act')).toEqual([{ id: 1 }])
      await db.query('insert into act values (3)')
      expect(await db.query('select id from act order by id')).toEqual([{ id: 1 }, { id: 3 }])
      await db.close()
    },
  )
})

/** What befalls a write, which can be let go to another file. */
type Write = (write: (descriptor: number) => number) => number

/** Every write to it finds no room. */
const FULL = openSync('/dev/full', 'w')
const READ_ONLY = openSync('/dev/null', 'r')

/** A whole WebAssembly program of one function, whose one instruction is `unreachable`. */
const unreachable = new WebAssembly.Instance(
  new WebAssembly.Module(
    Uint8Array.from(
      [
        [0, 0x61, 0x73, 0x6d, 1, 0, 0, 0],
        [1, 4, 1, 0x60, 0, 0],
        [3, 2, 1, 0],
        [7, 5, 1, 1, 0x74, 0, 0],
        [10, 5, 1, 3, 0, 0, 11],
      ].flat(),
    ),
  ),
).exports.t as () => never
