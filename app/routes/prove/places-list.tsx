import type { FloorAct } from '~/client/job/use-job-run'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import type { ProofCheck } from '~core/job/proofs/checks'
import { GOOD, placeIs, placesBefore } from '~core/job/proofs/places'
import type { JobState } from '~core/job/state'

type Props = { check: ProofCheck; state: JobState; act: (act: FloorAct) => void; locked: boolean }

/** What a proof looks at one by one: each with what is good there, and what may be found instead. */
export function PlacesList({ check, state, act, locked }: Props) {
  const say = useSay()
  // A second pass is shown once the first is done everywhere.
  const places = (check.places?.(state) ?? []).filter(
    (place) => placesBefore(state, check, place).length === 0,
  )
  const says = (is: string) => say(fact(is === GOOD ? `place-good-${check.id}` : `place-${is}`))
  return (
    <ul className="mt-2 grid gap-2 sm:grid-cols-2">
      {places.map((place) => {
        const is = placeIs(state, check.id, place.id)
        const look = (found: string) =>
          act({ type: 'place-looked', check: check.id, place: place.id, is: found })
        return (
          <li key={place.id} className="grid content-start gap-2 border-2 border-rule bg-enamel p-2">
            <p>
              <strong>{upperFirst(say(place.says))}</strong>
              {is !== undefined && (
                <span className={`block ${is === GOOD ? '' : 'fault'}`}>
                  {is === GOOD ? '✓ ' : '✗ '}
                  {says(is)}
                </span>
              )}
            </p>
            {!locked && is !== GOOD && (
              <Button
                size="finger"
                aria-label={`${say(place.says)}: ${says(GOOD)}`}
                onClick={() => look(GOOD)}
              >
                {upperFirst(says(GOOD))}
              </Button>
            )}
            {!locked && check.placeFinds && (
              <span className="grid grid-cols-2 gap-2">
                {check.placeFinds.map((found) => (
                  <Button
                    key={found}
                    chosen={is === found}
                    alarm={is === found}
                    className="px-2 text-sm font-semibold"
                    aria-label={`${say(place.says)}: ${says(found)}`}
                    onClick={() => look(found)}
                  >
                    <span aria-hidden="true">✗</span> {upperFirst(says(found))}
                  </Button>
                ))}
              </span>
            )}
          </li>
        )
      })}
    </ul>
  )
}
