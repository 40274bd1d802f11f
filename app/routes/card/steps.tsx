import { stageNames } from '~/components/stage-names'
import { showMinutes } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import type { Plan, Stage } from '~core/plan/answer'
import { isRoutineStep, type Step, stepFact } from '~core/technique/step'

const who: Record<Step['who'], string> = { wheel: '', cab: 'cab: ', tool: 'scan tool: ', desk: 'desk: ' }

/** Every stage with its steps to tick, in two columns. */
export function CardSteps({ plan }: { plan: Plan }) {
  const show = useShow()
  const say = useSay()
  return (
    <ol className="mt-2 columns-1 gap-x-4 sm:columns-2 print:columns-2">
      {plan.stages.map(({ kind, technique, before, after, ml, minutes, points }, i) => {
        const way = technique && `technique-${technique}`
        const earlier = plan.stages
          .slice(0, i)
          .find(
            (each) =>
              technique && each.technique === technique && each.kind === kind && isAgain(each, before),
          )
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a stage may come twice, and its number is what tells it apart
          <li key={i} className="mb-[var(--gap,0.375rem)] [break-inside:var(--keep,avoid)]">
            <h2 className="flex items-end justify-between gap-2 border-b border-ink font-bold">
              <span>
                {i + 1}. {stageNames[kind]}
                {way && <span className="font-normal">: {say({ code: way })}</span>}
              </span>
              <span className="font-normal whitespace-nowrap">
                {ml > 0 && `${show('volume', ml)}, `}
                {showMinutes(minutes)} min
              </span>
            </h2>
            <Ticks steps={only(before, earlier?.before)} />
            {earlier ? (
              <p>☐ As stage {plan.stages.indexOf(earlier) + 1}, every step of it again.</p>
            ) : (
              way &&
              points.length > 0 && (
                <p>
                  ▸ {say({ code: `${way}-round` })} <strong>Done:</strong> {say({ code: `${way}-done` })}
                </p>
              )
            )}
            <Ticks steps={only(after, earlier?.after)} />
          </li>
        )
      })}
    </ol>
  )
}

/** Whether a stage does all that an earlier one did before its first place: a routine’s own run at its end does not. */
const isAgain = (earlier: Stage, before: readonly Step[]) => {
  const own = earlier.before.filter(isRoutineStep)
  return own.length === 0
    ? !before.some(isRoutineStep)
    : own.every(({ id }) => before.some((step) => step.id === id))
}

/** Steps that an earlier stage of the same kind does not have already. */
const only = (steps: readonly Step[], earlier: readonly Step[] = []) =>
  steps.filter(({ id }) => !earlier.some((each) => each.id === id))

function Ticks({ steps }: { steps: readonly Step[] }) {
  const say = useSay()
  const show = useShow()
  const tick = (step: Step) => (
    <>
      ☐ {who[step.who]}
      {say(stepFact(step))} {step.asksMl && `____ ${show.unit('volume')}`}
    </>
  )
  const routine = steps.filter(isRoutineStep)
  const places = [...new Set(steps.map((step) => (isRoutineStep(step) ? 'routine' : step.id)))]
  return places.map((place) =>
    place === 'routine' ? (
      // Many and short: they run on, so that the whole of it stays on one sheet.
      <p key={place} className="pl-4 -indent-4">
        {routine.map((step) => (
          <span key={step.id}>{tick(step)} </span>
        ))}
      </p>
    ) : (
      <p key={place} className="pl-4 -indent-4">
        {steps
          .filter(({ id }) => id === place)
          .map((step) => (
            <span key={step.id}>{tick(step)}</span>
          ))}
      </p>
    ),
  )
}
