import { Link } from 'react-router'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import type { FluidSpec } from '~core/fluid/specs'
import type { ToBuy } from '~core/stock/to-buy'

type Props = {
  list: readonly ToBuy[]
  booked: readonly { jobId: string; plate: string; spec: FluidSpec; ml: number; planned: boolean }[]
}

/** What the jobs that are in still need, and what to buy for them. */
export function ToBuyPanel({ list, booked }: Props) {
  const show = useShow()
  return (
    <Panel title="For the jobs that are in">
      {list.length === 0 && <p>No job that is in needs fluid.</p>}
      <ul className="grid gap-3">
        {list.map(({ spec, needMl, onShelfMl, shortMl, buy }) => (
          <li key={spec} className="border-b border-rule pb-3">
            <p className="flex flex-wrap items-baseline justify-between gap-x-4 text-lg">
              <strong>{spec}</strong>
              <strong>
                {shortMl > 0
                  ? `buy ${buy.map(({ ml, count }) => `${count} × ${show('volume', ml)}`).join(' + ')}`
                  : 'enough is here'}
              </strong>
            </p>
            <p>
              {show('volume', needMl)} needed, {show('volume', onShelfMl)} on the shelf may be poured
            </p>
            <p className="text-sm">
              {booked
                .filter((each) => each.spec === spec)
                .map(({ jobId, plate, ml, planned }, i) => (
                  <span key={jobId}>
                    {i > 0 && ', '}
                    <Link to={`/jobs/${jobId}`}>{plate}</Link> {show('volume', ml)}
                    {!planned && ' (no plan taken yet)'}
                  </span>
                ))}
            </p>
          </li>
        ))}
      </ul>
    </Panel>
  )
}
