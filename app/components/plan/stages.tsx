import { stageNames } from '~/components/stage-names'
import { showMinutes } from '~/lib/format'
import { useShow } from '~/lib/units'
import { methodName } from '~core/method'
import type { Plan, Stage } from '~core/plan/answer'

/** A stage may come twice (base bleed, cycle, base bleed): its number is what tells it apart. */
const numbered = (stages: readonly Stage[]) => stages.map((stage, i) => ({ stage, number: i + 1 }))

/** Every stage in its order, with what each bleeder takes. */
export function Stages({ plan }: { plan: Plan }) {
  const show = useShow()
  return (
    <section className="panel" aria-labelledby="stages">
      <h2 id="stages">Stages</h2>
      <ol className="grid gap-2">
        {numbered(plan.stages).map(({ stage, number }) => (
          <li
            key={number}
            className="grid grid-cols-[2.5rem_1fr_auto] items-baseline gap-x-3 border-b border-rule pb-2"
          >
            <span className="text-xl font-extrabold">{number}</span>
            <span className="font-bold">
              {stageNames[stage.kind]}
              {stage.kind === 'bleed' && stage.method && (
                <span className="font-normal">: {methodName(stage.method)}</span>
              )}
            </span>
            <span className="text-right whitespace-nowrap">
              {stage.ml > 0 && `${show('volume', stage.ml)}, `}
              {showMinutes(stage.minutes)} min
            </span>
            {stage.mlByBleeder && <Volumes stage={stage} expected={plan.expectedOldPct} />}
            {stage.mlByBleeder && Object.keys(plan.expectedOldPct).length > 0 && (
              <p className="col-span-2 col-start-2 text-sm text-quiet">
                How old the last drops are if the reservoir is drawn to MIN and no lower. Lower, with every
                port covered, is better.
              </p>
            )}
          </li>
        ))}
      </ol>
    </section>
  )
}

/** Each bleeder's share as a bar, so that the order and the amounts are seen at once. */
function Volumes({ stage, expected }: { stage: Stage; expected: Plan['expectedOldPct'] }) {
  const show = useShow()
  const most = Math.max(1, ...Object.values(stage.mlByBleeder ?? {}))
  return (
    <ol className="col-span-2 col-start-2 mt-1 grid gap-1">
      {stage.order.map((id) => {
        const ml = stage.mlByBleeder?.[id] ?? 0
        return (
          <li key={id} className="grid grid-cols-[4rem_1fr_5rem_10rem] items-center gap-3">
            <strong className="truncate" title={id}>
              {id}
            </strong>
            <span className="h-3 border border-ink bg-enamel">
              <span className="block h-full bg-oxide" style={{ width: `${(100 * ml) / most}%` }} />
            </span>
            <span className="text-right">{show('volume', ml)}</span>
            <span className="text-right text-sm text-quiet">
              {expected[id] !== undefined && `last drops ${Math.round(expected[id])} % old`}
            </span>
          </li>
        )
      })}
    </ol>
  )
}
