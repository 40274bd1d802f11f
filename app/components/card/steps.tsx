import { stageNames } from '~/components/stage-names'
import { showMinutes } from '~/lib/format'
import { useShow } from '~/lib/units'
import type { Plan } from '~core/plan/answer'
import { techniqueOf } from '~core/technique'
import type { Step } from '~core/technique/step'

const who: Record<Step['who'], string> = { wheel: '', cab: 'cab: ', tool: 'scan tool: ', desk: 'desk: ' }

/** Every stage with its steps to tick, in two columns. */
export function CardSteps({ plan }: { plan: Plan }) {
  const show = useShow()
  return (
    <ol className="mt-2 columns-1 gap-x-4 sm:columns-2 print:columns-2">
      {plan.stages.map(({ kind, technique, before, after, ml, minutes, order }, i) => {
        const way = technique && techniqueOf(technique)
        const earlier = plan.stages.slice(0, i).find((each) => technique && each.technique === technique)
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a stage may come twice, and its number is what tells it apart
          <li key={i} className="mb-1.5 break-inside-avoid">
            <h2 className="flex items-end justify-between gap-2 border-b border-ink font-bold">
              <span>
                {i + 1}. {stageNames[kind]}
                {way && <span className="font-normal">: {way.name}</span>}
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
              (order.length > 0 || kind === 'port-bleed' || kind === 'bench-bleed') && (
                <p>
                  ▸ {way.round.join(' ')} <strong>Done:</strong> {way.done}
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

/** Steps that an earlier stage of the same kind does not have already. */
const only = (steps: readonly Step[], earlier: readonly Step[] = []) =>
  steps.filter(({ id }) => !earlier.some((each) => each.id === id))

function Ticks({ steps }: { steps: readonly Step[] }) {
  return steps.map(({ id, text, who: actor, asksMl }) => (
    <p key={id} className="pl-4 -indent-4">
      ☐ {who[actor]}
      {text} {asksMl && '____ mL'}
    </p>
  ))
}
