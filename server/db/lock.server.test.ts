import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { lockDataDir } from './lock.server'

const folder = mkdtempSync(join(tmpdir(), 'siphon-lock-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

describe('the lock on a data folder', () => {
  test('is had by one at a time, says by whom, and can be had again once it is given back', () => {
    const dir = mkdtempSync(join(folder, 'lock-'))
    const unlock = lockDataDir(dir)
    expect(() => lockDataDir(dir)).toThrow(`in use by process ${process.pid}`)
    unlock()
    lockDataDir(dir)()
  })

  test('means nothing once its process is gone, whatever the file says', () => {
    const dir = mkdtempSync(join(folder, 'lock-'))
    writeFileSync(join(dir, 'siphon.lock'), String(process.ppid))
    lockDataDir(dir)()
  })
})
