import { Link } from 'react-router'
import type { FromBench } from '~/lib/from-bench'
import { useSay } from '~/lib/say'
import { Panel } from '~/ui/panel'
import { pageFact } from '~core/calculators/page'

/** What of this plan was worked out on the Bench, each with the way back to its picture. */
export function CarriedFromBench({ carried }: { carried: readonly FromBench[] }) {
  const say = useSay()
  if (carried.length === 0) return null
  return (
    <Panel title="From the Bench">
      <ul className="grid gap-2">
        {carried.map(({ page, says, address }) => (
          <li key={address}>
            <Link to={address} className="font-bold">
              {say(pageFact(page))}
            </Link>
            : {say(says)}
          </li>
        ))}
      </ul>
    </Panel>
  )
}
