import { closeSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { tryLock } from 'fs-native-extensions'

/**
 * Keep a second process out of the data folder, which two would corrupt. The lock is the operating system's: it goes
 * with its process, however that ends, and two that ask at once cannot both get it.
 *
 * @returns how to give it back
 * @throws Error with a sentence, when another process holds it
 */
export function lockDataDir(dataDir: string): () => void {
  mkdirSync(dataDir, { recursive: true })
  const path = join(dataDir, 'siphon.lock')
  // Never removed: whoever locked a file that somebody then removes holds a lock on nothing.
  const file = openSync(path, 'a+')
  if (!tryLock(file)) {
    closeSync(file)
    const holder = readFileSync(path, 'utf8').trim()
    throw new Error(
      `The data folder ${dataDir} is in use${holder && ` by process ${holder}`}: stop that one first, or set SIPHON_DATA to another folder.`,
    )
  }
  writeFileSync(path, String(process.pid))
  return () => closeSync(file)
}
