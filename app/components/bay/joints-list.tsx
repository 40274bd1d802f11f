import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { LineMap } from '~/components/line-map/line-map'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import {
  type Joint,
  jointState,
  jointsAt,
  jointsOf,
  nextFor,
  notDry,
  notStarted,
  washersAt,
} from '~core/job/joints'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'

type Props = { state: JobState; act: (act: FloorAct) => void; locked?: boolean }

/** Every joint that was opened, with how far it has come and one large area for what comes next. */
export function JointsList({ state, act, locked = false }: Props) {
  const say = useSay()
  const [at, setAt] = useState<string>()
  const all = jointsOf(state)
  if (all.length === 0) return null
  const pointedAt = at === undefined ? [] : jointsAt(state, at)
  const joints = pointedAt.length > 0 ? pointedAt : all
  const started = notStarted(state).length === 0
  const left = notDry(state)
  return (
    <section className="grid gap-3" aria-label="Joints that were opened">
      <p className="font-bold">
        {all.length - left.length} of {all.length} joints dry twice: at rest, and under full effort.
      </p>
      <LineMap
        vehicle={state.vehicle}
        picked={[...new Set(left.map(({ line }) => line))]}
        onPick={setAt}
        plain
        className="[&_.lm-sheet]:max-h-[34vh] [&>figcaption]:hidden"
      />
      <p className="text-quiet">
        {pointedAt.length > 0 ? (
          <Button size="glove" onClick={() => setAt(undefined)}>
            Show all {all.length}, not only those at {at}
          </Button>
        ) : (
          'Picked out: lines with a joint that is not dry twice. Tap a line or part for its joints alone.'
        )}
      </p>
      <ul className="grid gap-2">
        {joints.map((joint) => {
          const { id, line, at: end, hose } = joint
          const stands = jointState(state, id)
          const next = nextFor(stands)
          const waits = (next === 'tight' && !started) || (next === 'dry-under-effort' && !bleedDone(state))
          return (
            <li
              key={id}
              className="grid items-center gap-2 border-2 border-rule bg-enamel p-2 sm:grid-cols-[1fr_auto]"
            >
              <span>
                <strong>{end}</strong>, {hose ? 'hose' : 'tube'} of {line}
                <HowHeld state={state} joint={joint} />
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
                    <Button
                      disabled={waits}
                      onClick={() => act({ type: 'joint-checked', joint: id, is: next })}
                      size="glove"
                      aria-label={`${id}: ${say(fact(`joint-${next}`))}`}
                    >
                      {upperFirst(say(fact(`joint-${next}`)))}
                    </Button>
                  )}
                  {stands.tight && (
                    <Button
                      onClick={() => act({ type: 'joint-checked', joint: id, is: 'wet' })}
                      size="glove"
                      aria-label={`${id}: wet`}
                    >
                      ✗ Wet
                    </Button>
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

const washers = {
  takes: 'Hollow bolt: a new washer on either side.',
  may: 'Where a hollow bolt holds it: a new washer on either side.',
}

/** What it is turned with, how tight, and what is renewed with it. */
function HowHeld({ state, joint }: { state: JobState; joint: Joint }) {
  const { wrenchMm, torqueNm } = joint.held
  const show = useShow()
  const takes = washersAt(state, joint)
  const tools = [
    ...(wrenchMm === undefined ? [] : [`Spanner ${wrenchMm} mm`]),
    ...(torqueNm === undefined ? [] : [show('torque', torqueNm)]),
  ]
  return (
    <>
      {tools.length > 0 && <span className="block font-semibold">{tools.join(' · ')}</span>}
      {takes && <span className="block text-quiet">{washers[takes]}</span>}
    </>
  )
}

const howFar = ({ started, tight, dryAtRest, dryUnderEffort }: ReturnType<typeof jointState>) => [
  ...(started && !tight ? ['started'] : []),
  ...(tight ? ['tight'] : []),
  ...(dryAtRest ? ['dry-at-rest'] : []),
  ...(dryUnderEffort ? ['dry-under-effort'] : []),
]
