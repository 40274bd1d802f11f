import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import type { FloorAct } from '~/run-client/use-job-run'
import { fact } from '~core/base/decision'
import { jointState, jointsOf, nextFor, notDry, notStarted } from '~core/job/joints'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'

type Props = { state: JobState; act: (act: FloorAct) => void; locked?: boolean }

/** Every joint that was opened, with how far it has come and one large area for what comes next. */
export function JointsList({ state, act, locked = false }: Props) {
  const say = useSay()
  const joints = jointsOf(state)
  if (joints.length === 0) return null
  const started = notStarted(state).length === 0
  const dry = joints.length - notDry(state).length
  return (
    <section className="grid gap-3" aria-label="Joints that were opened">
      <p className="font-bold">
        {dry} of {joints.length} joints dry twice: at rest, and under full effort.
      </p>
      <ul className="grid gap-2">
        {joints.map(({ id, line, at, hose }) => {
          const stands = jointState(state, id)
          const next = nextFor(stands)
          const waits = (next === 'tight' && !started) || (next === 'dry-under-effort' && !bleedDone(state))
          return (
            <li
              key={id}
              className="grid items-center gap-2 border-2 border-rule bg-enamel p-2 sm:grid-cols-[1fr_auto]"
            >
              <span>
                <strong>{at}</strong>, {hose ? 'hose' : 'tube'} of {line}
                <span className="block text-quiet">
                  {next === undefined ? '✓ ' : ''}
                  {howFar(stands)
                    .map((step) => say(fact(`joint-${step}`)))
                    .join(', ') || 'off'}
                  {stands.wet > 0 && ` · was wet ${stands.wet} ×`}
                </span>
              </span>
              {!locked && (
                <span className="flex gap-2">
                  {next !== undefined && (
                    <button
                      type="button"
                      disabled={waits}
                      onClick={() => act({ type: 'joint-checked', joint: id, is: next })}
                      className="button min-h-[56px]"
                      aria-label={`${id}: ${say(fact(`joint-${next}`))}`}
                    >
                      {upperFirst(say(fact(`joint-${next}`)))}
                    </button>
                  )}
                  {stands.tight && (
                    <button
                      type="button"
                      onClick={() => act({ type: 'joint-checked', joint: id, is: 'wet' })}
                      className="button min-h-[56px]"
                      aria-label={`${id}: wet`}
                    >
                      ✗ Wet
                    </button>
                  )}
                </span>
              )}
            </li>
          )
        })}
      </ul>
      <p className="text-quiet">
        Started by hand first, all of them; then tight, to the maker’s torque, new washers where there were
        some. A wet one is taken apart and begun anew, never just pulled tighter.
      </p>
    </section>
  )
}

const howFar = ({ started, tight, dryAtRest, dryUnderEffort }: ReturnType<typeof jointState>) => [
  ...(started && !tight ? ['started'] : []),
  ...(tight ? ['tight'] : []),
  ...(dryAtRest ? ['dry-at-rest'] : []),
  ...(dryUnderEffort ? ['dry-under-effort'] : []),
]
