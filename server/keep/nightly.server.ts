import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Queries } from '~server/db/database.server'
import { type Backup, backUp } from './backup.server'

/** A shop that looks every fortnight still finds the day before something went wrong. */
export const KEPT_DAYS = 14
/** One a day; after so long without one somebody is told. */
const DUE_HOURS = 24
export const OVERDUE_HOURS = 36
/** The quiet hours, by the clock of the machine. */
const NIGHT = { from: 1, to: 5 }
const HOUR_MS = 3_600_000
const LOOK_MS = 5 * 60_000

/** Where nightly backups stand: another disk is better, and the operator says which. */
export const backupsDir = (dataDir: string): string => process.env.SIPHON_BACKUPS ?? join(dataDir, 'backups')

const NAME = /^(nightly|before)-(\d{4}-\d\d-\d\dT\d{6}Z)\.backup$/
const nameOf = (why: 'nightly' | 'before', at: Date): string =>
  `${why}-${at.toISOString().replace(/:|\.\d+/g, '')}.backup`

export type Standing = { path: string; at: string; bytes: number }

/** Backups that stand, the newest first. */
export function standingBackups(dir: string): Standing[] {
  let names: string[]
  try {
    names = readdirSync(dir)
  } catch {
    // None was made yet.
    return []
  }
  return names
    .filter((name) => NAME.test(name))
    .map((name) => {
      const path = join(dir, name)
      const { mtime, size } = statSync(path)
      return { path, at: mtime.toISOString(), bytes: size }
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1))
}

const ageHours = (at: string | undefined, now: Date): number =>
  at === undefined ? Number.POSITIVE_INFINITY : (now.getTime() - Date.parse(at)) / HOUR_MS

/** Whether one is to be made now: at night, or at once where a day and a half has none (the machine sleeps at night). */
export function isDue(newestAt: string | undefined, now: Date): boolean {
  const age = ageHours(newestAt, now)
  const hour = now.getHours()
  const night = NIGHT.from <= hour && NIGHT.to > hour
  return age > (night ? DUE_HOURS - (NIGHT.to - NIGHT.from) : OVERDUE_HOURS - 4)
}
export const isOverdue = (newestAt: string | undefined, now: Date): boolean =>
  ageHours(newestAt, now) > OVERDUE_HOURS

/** Make a backup under a name of its own, and let go of those that are too old. */
export async function backUpInto(
  db: Queries,
  pgDir: string,
  dir: string,
  why: 'nightly' | 'before',
  now = new Date(),
): Promise<Backup> {
  mkdirSync(dir, { recursive: true, mode: 0o700 })
  const made = await backUp(db, pgDir, join(dir, nameOf(why, now)))
  for (const { path, at } of standingBackups(dir).slice(1))
    if (ageHours(at, now) > KEPT_DAYS * 24) rmSync(path, { force: true })
  return made
}

/** What a process that was ended in its midst left behind. Only one process has the folder, and it has begun none yet. */
function clearHalves(dir: string): void {
  for (const name of existsSync(dir) ? readdirSync(dir) : [])
    if (name.endsWith('.backup.half')) rmSync(join(dir, name), { force: true })
}

/** Look every few minutes whether a backup is due. @returns stops looking */
export function keepNightly(
  db: Queries,
  pgDir: string,
  dir: string,
  failed: (error: unknown) => void,
): () => void {
  clearHalves(dir)
  let busy = false
  const look = async () => {
    if (busy || !isDue(standingBackups(dir)[0]?.at, new Date())) return
    busy = true
    await backUpInto(db, pgDir, dir, 'nightly').catch(failed)
    busy = false
  }
  const timer = setInterval(look, LOOK_MS)
  timer.unref()
  void look()
  return () => clearInterval(timer)
}
