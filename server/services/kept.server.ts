import { resolve } from 'node:path'
import { RELEASE } from '~/lib/release'
import { shortFingerprint } from '~core/ledger/logbook'
import type { Database } from '~server/db/database.server'
import { askServer } from '~server/keep/control.server'
import { backupsDir, isOverdue, standingBackups } from '~server/keep/nightly.server'
import { logbookHead } from '~server/store/ledger.server'

const FIRST_S = 600

const dataDir = (): string => resolve(process.env.SIPHON_DATA ?? 'data')

/** How old the newest backup is, and whether somebody has to look after it. */
export function lastBackup(now = new Date()) {
  const dir = backupsDir(dataDir())
  const all = standingBackups(dir)
  const [newest] = all
  return {
    dir,
    count: all.length,
    at: newest?.at,
    mb: newest && newest.bytes / 1e6,
    ageHours: newest && (now.getTime() - Date.parse(newest.at)) / 3_600_000,
    // A first start makes its first one at once: only where that never comes is it missed.
    overdue: newest ? isOverdue(newest.at, now) : process.uptime() > FIRST_S,
  }
}
export type LastBackup = ReturnType<typeof lastBackup>

/** What the shop keeps, and by what it can be checked. */
export async function whatIsKept(db: Database) {
  return {
    release: RELEASE,
    key: shortFingerprint(db.shopKey.fingerprint),
    logbook: await logbookHead(db),
    backup: lastBackup(),
  }
}

/** @returns why none was made, in a sentence */
export async function backUpNow(): Promise<string | undefined> {
  const told = await askServer(dataDir(), { do: 'backup-now' })
  if (!told) return 'No backup can be made now: the data can only be read.'
  return told.ok ? undefined : `No backup was made: ${told.sentence}`
}
