import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Chance } from '~core/base/random'
import { verifyExport } from '~core/ledger/export-file'
import { openFolder } from '~server/db/pglite.server'
import { exportAll } from '~server/keep/export.server'
import { unsynced } from './disk-log'
import type { Recorded } from './run-of-acts'

/** Where images are laid out: in memory where that is, since thousands of them are. */
const IMAGES = existsSync('/dev/shm') ? '/dev/shm' : tmpdir()

/** What a cut of the power would have done: how many acts were lost that somebody was told of, or what would not open. */
export type Image = { cutAt: number; acknowledged: number; lost: number; fault?: string }

/** Cut the power at random moments of a run, and open what each could have left. */
export async function* imagesOf(
  { disk, log, key }: Recorded,
  count: number,
  seed: number,
): AsyncGenerator<Image> {
  const chance = new Chance(seed)
  const cuts = Array.from({ length: count }, () => chance.below(log.acts.length)).sort((a, b) => a - b)
  let at = 0
  for (const cutAt of cuts) {
    for (; at < cutAt; at++) {
      const act = log.acts[at]
      if (act) disk.apply(act)
    }
    const dir = mkdtempSync(join(IMAGES, 'siphon-image-'))
    disk.writeImage(dir, chance)
    const acknowledged = [...disk.acknowledged]
    try {
      const db = await openFolder(dir, key, unsynced)
      const kept = new Set((await db.query<{ id: string }>('select id from job_event')).map(({ id }) => id))
      let text = ''
      for await (const line of exportAll(db)) text += line
      const verified = verifyExport(text)
      await db.close()
      yield {
        cutAt,
        acknowledged: acknowledged.length,
        lost: acknowledged.filter((id) => !kept.has(id)).length,
        ...(!verified.valid && { fault: `${verified.fault.path}: ${verified.fault.message}` }),
      }
    } catch (error) {
      const fault = error instanceof Error ? error.message : String(error)
      yield { cutAt, acknowledged: acknowledged.length, lost: acknowledged.length, fault }
    }
    rmSync(dir, { recursive: true, force: true })
  }
}
