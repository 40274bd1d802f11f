import { useState } from 'react'
import { Link } from 'react-router'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { Next } from '~core/diagnosis/answer'
import { money } from './figures'

const SHOWN = 5

/** What else could be done now, cheapest in all first: whoever stands there may know better. */
export function OtherSteps({ next, onChoose }: { next: readonly Next[]; onChoose: (id: string) => void }) {
  const say = useSay()
  const [all, setAll] = useState(false)
  const shown = all ? next : next.slice(0, SHOWN)
  const does = { check: 'Look', repair: 'Mend' }
  return (
    <Panel title="Or this instead">
      <table className="w-full text-left">
        <thead>
          <tr className="border-b-2 border-ink">
            <th className="py-1">What</th>
            <th className="py-1 text-right">cost now</th>
            <th className="py-1 pl-4 text-right">cost in all</th>
            <th>
              <span className="sr-only">Choose</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((each) => {
            const name = each.kind === 'check' ? say(fact(`check-${each.id}-name`)) : say(each)
            return (
              <tr key={`${each.kind} ${each.id}`} className="border-b border-rule">
                <td className="py-1 pr-3">
                  {name}
                  <span className="text-quiet"> · {Math.ceil(each.minutes)} min</span>
                </td>
                <td className="text-right">{money(each.cost)}</td>
                <td className="text-right">{money(each.cost + each.expectedCostAfter)}</td>
                <td className="py-1 pl-3 text-right">
                  <Button
                    className="px-3"
                    aria-label={`${does[each.kind]}: ${name}`}
                    onClick={() => onChoose(each.id)}
                  >
                    {does[each.kind]}
                  </Button>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {next.length > SHOWN && (
        <Button className="mt-3" onClick={() => setAll(!all)}>
          {all ? 'Only the best of them' : `All ${next.length} of them`}
        </Button>
      )}
      <p className="mt-3 text-sm text-quiet">
        In the shop’s money, on average: hands, parts, the bleed that follows, and what comes if it was not
        that. <Link to="/find/prices">Prices</Link>
      </p>
    </Panel>
  )
}
