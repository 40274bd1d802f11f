import { closeSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs'
import { join } from 'node:path'

const alive = (pid: number): boolean => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    // EPERM: it lives, and belongs to somebody else.
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}

/**
 * Keep a second process out of the data folder, which two would corrupt.
 *
 * By process id with a look whether it lives: a lock by age would refuse for seconds after a kill.
 *
 * @returns how to give it back
 * @throws Error with a sentence, when another living process holds it
 */
export function lockDataDir(dataDir: string): () => void {
  const path = join(dataDir, 'siphon.lock')
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      const file = openSync(path, 'wx')
      writeSync(file, String(process.pid))
      closeSync(file)
      return () => rmSync(path, { force: true })
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
      const pid = Number(readFileSync(path, 'utf8'))
      if (pid > 0 && pid !== process.pid && alive(pid))
        throw new Error(
          `The data folder ${dataDir} is in use by process ${pid}: stop that one first, or set SIPHON_DATA to another folder.`,
        )
      rmSync(path, { force: true })
    }
  }
  throw new Error(`The data folder ${dataDir} cannot be locked.`)
}
