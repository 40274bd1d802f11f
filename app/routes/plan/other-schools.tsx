import { useSay } from '~/lib/say'
import type { PlanOrder } from '~core/plan/answer'

/** How each school, and the maker, would order the same bleeders, and where each first leaves the chosen order. */
export function OtherSchools({ schools }: { schools: PlanOrder['schools'] }) {
  const say = useSay()
  return (
    <details className="mt-3">
      <summary className="flex items-center font-bold">What each school would do</summary>
      <ul className="grid gap-3">
        {schools.map(({ id, order, differs }) => (
          <li key={id} className="grid gap-1 border-t border-rule pt-2">
            <span className="font-bold">{say({ code: `school-${id}` })}</span>
            <ol className="flex flex-wrap gap-1.5">
              {order.map((bleeder, i) => {
                const leaves = differs?.place === i + 1
                return (
                  <li
                    key={bleeder}
                    className={`border-2 bg-enamel px-2 py-0.5 ${leaves ? 'border-oxide font-extrabold underline' : 'border-rule'}`}
                  >
                    {bleeder}
                  </li>
                )
              })}
            </ol>
            <span className="text-sm">{differs ? say(differs) : 'The same as the chosen order.'}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}
