import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { backTo, screenCookie, screenToken } from '~/lib/who.server'
import type { Database } from './database.server'
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
  }
  return db
}

describe('a store that fails', () => {
  test('after a full disk nothing is asked of it any more, and every question is answered with what to do', async () => {
    const db = breaking('53100')
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
