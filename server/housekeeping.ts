import { join } from 'node:path'
import type { Database } from '~server/db/database.server'
import { backUp } from '~server/keep/backup.server'
import { type Asked, listenToCommand, type Told } from '~server/keep/control.server'
import { backUpInto, backupsDir, keepNightly } from '~server/keep/nightly.server'
import { resetPin } from '~server/store/people.server'

/** What goes on beside the pages: the command is answered, and every night a backup is made. @returns ends it */
export async function keepHouse(db: Database, dataDir: string): Promise<() => void> {
  const stopListening = await listenToCommand(dataDir, (asked) => answerCommand(db, dataDir, asked))
  const stopNightly = keepNightly(db, join(dataDir, 'pg'), backupsDir(dataDir), (error) =>
    console.error(`The nightly backup failed: ${error instanceof Error ? error.message : error}`),
  )
  return () => {
    stopListening()
    stopNightly()
  }
}

async function answerCommand(db: Database, dataDir: string, asked: Asked): Promise<Told> {
  const pgDir = join(dataDir, 'pg')
  if (asked.do === 'backup') return { ok: true, said: await backUp(db, pgDir, asked.to) }
  if (asked.do === 'backup-now')
    return { ok: true, said: await backUpInto(db, pgDir, backupsDir(dataDir), 'nightly') }
  const sentence = await resetPin(db, asked.name, asked.pin)
  return sentence === undefined
    ? { ok: true, said: { name: asked.name, pin: 'set' } }
    : { ok: false, sentence }
}
