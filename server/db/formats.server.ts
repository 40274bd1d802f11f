import { eventKinds } from '~core/job/events'
import { RECORD_VERSION } from '~core/job/record'
import type { Queries } from './database.server'

/** The newest version of every shape that this release writes. */
const formats = (): Record<string, number> => ({
  record: RECORD_VERSION,
  ...Object.fromEntries(eventKinds().map(({ type, version }) => [type, version])),
})

/**
 * Write down the shapes that are written from now on. A folder that holds newer ones is left alone: a release that
 * cannot read them would show half of a job.
 *
 * @throws Error with a sentence where a newer release wrote it
 */
export async function keepFormats(db: Queries): Promise<void> {
  const [row] = await db.query<{ value: Record<string, number> }>(
    `select value from setting where key = 'formats'`,
  )
  const ours = formats()
  const newer = Object.entries(row?.value ?? {}).find(([shape, version]) => version > (ours[shape] ?? 0))
  if (newer)
    throw new Error(
      `The data were written by a newer release (it has version ${newer[1]} of “${newer[0]}”): start that release, or restore a backup of before.`,
    )
  await db.query(
    `insert into setting (key, value) values ('formats', $1) on conflict (key) do update set value = excluded.value`,
    [JSON.stringify(ours)],
  )
}
