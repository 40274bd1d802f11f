import { showTime } from '~/lib/format'
import type { JobState } from '~core/job/state'

/** What was added to a record after it was filed. */
export function Addenda({ state: { addenda } }: { state: JobState }) {
  if (addenda.length === 0) return null
  return (
    <section>
      <h2 className="mb-1">Added since</h2>
      <ul className="grid gap-1">
        {addenda.map(({ id, at, by, text }) => (
          <li key={id} className="wrap-anywhere">
            <span className="text-quiet">
              {showTime(at)}, {by?.name ?? 'not said'}:
            </span>{' '}
            {text}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Where the logbook has this record: whoever has its file can check it without this program. */
export function InLogbook({
  entries,
  shopKey,
}: {
  entries: { seq: number; at: string; link: string }[]
  shopKey: string
}) {
  const last = entries.at(-1)
  return (
    <p className="border-t border-rule pt-2 text-sm wrap-anywhere">
      Entry {entries.map(({ seq }) => seq).join(', ')} of the shop’s logbook, signed with the shop’s key{' '}
      {shopKey}. <span className="font-mono">{last?.link}</span>
    </p>
  )
}
