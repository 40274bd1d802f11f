import { basisNames } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import type { Ways as Place, Plan } from '~core/plan/answer'
import { techniqueFact } from '~core/technique/technique'
import { useTakeWay } from './take-way'

const placeNames: Record<Place['at'], string> = {
  bleeders: 'At the bleeders',
  cylinder: 'At the master cylinder',
  unit: 'At the control unit',
}

/** Every way that was not taken, why, and what that rests on; one that is not excluded may be taken for a reason. */
export function Ways({ plan, fixed }: { plan: Plan; fixed: boolean }) {
  const take = useTakeWay()
  const say = useSay()
  return (
    <Panel title="Ways not taken">
      {plan.ways.map(({ at, notTaken }) => (
        <div key={at}>
          {plan.ways.length > 1 && <h3 className="mt-2">{placeNames[at]}</h3>}
          <ul className="grid gap-1.5">
            {notTaken.map(({ technique, basis, excluded, ...why }) => (
              <li
                key={technique}
                className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-b border-rule pb-1.5"
              >
                <span>
                  {excluded && (
                    <span className="font-bold" role="img" aria-label="excluded">
                      ✗{' '}
                    </span>
                  )}
                  <strong>{say(techniqueFact({ id: technique }))}.</strong> {say(why)}{' '}
                  <em className="text-sm text-quiet">{basisNames[basis]}</em>
                </span>
                {!excluded && !fixed && (
                  <Button
                    onClick={() => take(at, technique)}
                    aria-label={`Take it: ${say(techniqueFact({ id: technique }))}`}
                  >
                    Take it
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </Panel>
  )
}
