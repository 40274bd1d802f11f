import { showDate } from '~/lib/format'
import { readingWords } from '~/lib/reading-words'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { LoneLink } from '~/ui/lone-link'
import { Panel } from '~/ui/panel'
import { testerFact, testerOf } from '~core/fluid/testers'
import type { ExchangeRow, ReadingRow } from '~server/store/fluid.server'

type Props = { readings: readonly ReadingRow[]; exchanges: readonly ExchangeRow[] }

/** Every reading and exchange, the newest first. */
export function FluidLog({ readings, exchanges }: Props) {
  const show = useShow()
  const say = useSay()
  const lines = [
    ...readings.map((each) => ({ on: each.taken_on, reading: each, exchange: undefined, id: each.id })),
    ...exchanges.map((each) => ({ on: each.done_on, reading: undefined, exchange: each, id: each.id })),
  ].sort((a, b) =>
    a.on === b.on
      ? Number(b.exchange !== undefined) - Number(a.exchange !== undefined)
      : a.on < b.on
        ? 1
        : -1,
  )
  return (
    <Panel title="Readings and exchanges">
      {lines.length === 0 && <p>None yet.</p>}
      <ol className="grid">
        {lines.map(({ on, id, reading, exchange }) => (
          <li key={id} className="grid gap-x-4 border-b border-rule py-1.5 sm:grid-cols-[7rem_1fr_auto]">
            <span>{showDate(on)}</span>
            {exchange && (
              <strong>
                All fluid exchanged: {exchange.spec}
                {exchange.km !== null && ` at ${show('distance', exchange.km)}`}
              </strong>
            )}
            {reading && (
              <span>
                {readingWords(reading, show)}, {reading.place}, {say(testerFact(reading.tester))}
                {reading.boiling_c !== null &&
                  testerOf(reading.tester).gives !== 'boiling-c' &&
                  ` (boils at about ${show('temperature', reading.boiling_c)})`}
              </span>
            )}
            <Whence jobId={(reading ?? exchange)?.job_id} by={(reading ?? exchange)?.by_name} />
          </li>
        ))}
      </ol>
    </Panel>
  )
}

function Whence({ jobId, by }: { jobId?: string | null; by?: string }) {
  if (jobId) return <LoneLink to={`/jobs/${jobId}/record`}>{by || 'record'}</LoneLink>
  return <span className="text-quiet">written down{by && ` by ${by}`}</span>
}
