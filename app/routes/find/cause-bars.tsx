import { useSay } from '~/lib/say'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { CauseShare } from '~core/diagnosis/answer'
import { percent } from './figures'

const SHOWN = 7

/** What it may be: bars that move with every answer. */
export function CauseBars({ causes }: { causes: readonly CauseShare[] }) {
  const say = useSay()
  const rest = causes.slice(SHOWN)
  return (
    <Panel title="What it may be" aria-live="polite">
      <ol className="grid gap-2">
        {causes.slice(0, SHOWN).map(({ id, share, at }) => (
          <li key={id} className="grid gap-1">
            <span className="flex justify-between gap-3 leading-tight">
              <span className="wrap-anywhere">
                {say(fact(`cause-${id}`))}
                {at && <span className="text-quiet"> · {at}</span>}
              </span>
              <strong className="whitespace-nowrap">{percent(share)}</strong>
            </span>
            <span className="block h-3 border border-quiet">
              <span
                className="block h-full bg-ink motion-safe:transition-[width] motion-safe:duration-300"
                style={{ width: `${100 * share}%` }}
              />
            </span>
          </li>
        ))}
      </ol>
      {rest.length > 0 && (
        <p className="mt-3 text-sm text-quiet">
          {rest.length} more, {percent(rest.reduce((sum, { share }) => sum + share, 0))} together
        </p>
      )}
    </Panel>
  )
}
