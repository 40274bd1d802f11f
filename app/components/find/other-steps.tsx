import { useSay } from '~/lib/say'
import { fact } from '~core/base/decision'
import type { Next } from '~core/diagnosis/answer'
import { money } from './figures'

const SHOWN = 6

/** What else could be done now, cheapest in all first: whoever stands there may know better. */
export function OtherSteps({ next, onChoose }: { next: readonly Next[]; onChoose: (id: string) => void }) {
  const say = useSay()
  return (
    <section className="panel" aria-labelledby="or-else">
      <h2 id="or-else">Or this instead</h2>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b-2 border-ink">
            <th className="py-1">What</th>
            <th className="py-1 text-right">now</th>
            <th className="py-1 pl-4 text-right">in all, in the mean</th>
            <th>
              <span className="sr-only">Choose</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {next.slice(0, SHOWN).map((each) => (
            <tr key={`${each.kind} ${each.id}`} className="border-b border-rule">
              <td className="py-1 pr-3">
                {each.kind === 'check' ? say(fact(`check-${each.id}-name`)) : say(each)}
                <span className="text-quiet"> · {Math.ceil(each.minutes)} min</span>
              </td>
              <td className="text-right">{money(each.cost)}</td>
              <td className="text-right">{money(each.cost + each.expectedCostAfter)}</td>
              <td className="py-1 pl-3 text-right">
                <button
                  type="button"
                  className="button px-3"
                  aria-label={`${each.kind === 'check' ? 'Look' : 'Mend'}: ${each.id}`}
                  onClick={() => onChoose(each.id)}
                >
                  {each.kind === 'check' ? 'Look' : 'Mend'}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-quiet">
        In the shop’s money, hands and the bleed that follows counted.
      </p>
    </section>
  )
}
