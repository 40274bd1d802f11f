import { stageNames } from '~/components/stage-names'
import { showMinutes } from '~/lib/format'
import { useShow } from '~/lib/units'
import { techniqueOf } from '~core/method'
import type { Step } from '~core/method/step'
import type { Plan } from '~core/plan/answer'

const who: Record<Step['who'], string> = { wheel: '', cab: 'cab: ', tool: 'scan tool: ', desk: 'desk: ' }

/** Every stage with its steps to tick, in two columns. */
export function CardSteps({ plan }: { plan: Plan }) {
  const show = useShow()
  return (
    <ol className="mt-2 columns-1 gap-x-4 sm:columns-2 print:columns-2">
      {plan.stages.map(({ kind, technique, before, after, ml, minutes, order }, i) => {
        const way = technique && techniqueOf(technique)
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a stage may come twice, and its number is what tells it apart
          <li key={i} className="mb-1.5 break-inside-avoid">
            <h2 className="border-b border-ink font-bold">
              {i + 1}. {stageNames[kind]}
              {way && <span className="font-normal">: {way.name}</span>}
              <span className="float-right font-normal">
                {ml > 0 && `${show('volume', ml)}, `}
                {showMinutes(minutes)} min
              </span>
            </h2>
            <Ticks steps={before} />
            {way && (order.length > 0 || kind === 'port-bleed' || kind === 'bench-bleed') && (
              <p>
                ▸ {way.round.join(' ')} <strong>Done:</strong> {way.done}
              </p>
            )}
            <Ticks steps={after} />
          </li>
        )
      })}
    </ol>
  )
}

function Ticks({ steps }: { steps: readonly Step[] }) {
  return steps.map(({ id, text, who: actor, asksMl }) => (
    <p key={id} className="pl-4 -indent-4">
      ☐ {who[actor]}
      {text} {asksMl && '____ mL'}
    </p>
  ))
}
