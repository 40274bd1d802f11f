import { stageNames } from '~/components/stage-names'
import { counted, showMinutes } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import type { Plan, Stage } from '~core/plan/answer'
import { mindFact, type Step, stepFact } from '~core/technique/step'
import { Figure } from './figure'

/** A stage may come twice (base bleed, cycle, base bleed): its number is what tells it apart. */
const numbered = (stages: readonly Stage[]) => stages.map((stage, index) => ({ stage, index }))

/** Every stage in its order, with what each bleeder takes and the steps around it. */
export function Stages({ plan }: { plan: Plan }) {
  const show = useShow()
  return (
    <Panel title="Stages" className="py-3">
      <ol className="grid gap-1.5">
        {numbered(plan.stages).map(({ stage, index }) => (
          <li
            key={index}
            className="grid grid-cols-[2rem_1fr_auto] items-baseline gap-x-2 border-b border-rule pb-1"
          >
            <span className="text-lg font-extrabold">{index + 1}</span>
            <StageName stage={stage} />
            <span className="text-right whitespace-nowrap">
              {stage.ml > 0 && `${show('volume', stage.ml)}, `}
              <Figure id={{ figure: 'stage', index }}>{showMinutes(stage.minutes)} min</Figure>
            </span>
            {stage.mlByBleeder && (
              <Volumes stage={stage} expected={promised(plan, stage)} keptMl={plan.fluid.keptMl} />
            )}
          </li>
        ))}
      </ol>
    </Panel>
  )
}

/** What is promised of the last drops is promised where old fluid is pushed out, not for a bleed after a cycle. */
const promised = ({ expectedOldPct, fluid }: Plan, { mlByBleeder = {} }: Stage): Plan['expectedOldPct'] =>
  Object.keys(mlByBleeder).every((id) => mlByBleeder[id] === fluid.perBleederMl[id]) ? expectedOldPct : {}

const who = { wheel: 'wheel', cab: 'cab', tool: 'scan tool', desk: 'desk' }

/** Its name, opening to what is done before and after the bleeders, by whom, and how one round goes. */
function StageName({ stage }: { stage: Stage }) {
  const { kind, before, after, technique, points } = stage
  const say = useSay()
  const way = technique && `technique-${technique}`
  const name = (
    <>
      <strong>{stageNames[kind]}</strong>
      {way && `: ${say({ code: way })}`}
    </>
  )
  const steps = before.length + after.length
  if (steps === 0) return <span>{name}</span>
  return (
    <details className="min-w-0 open:col-span-2 [&:open+span]:col-start-2">
      <summary>
        {name} <span className="text-sm whitespace-nowrap text-quiet">{counted(steps, 'step')}</span>
      </summary>
      <StepList steps={before} />
      {way && points.length > 0 && (
        <>
          <p className="mt-1 font-semibold">At each place</p>
          <p className="pl-5">{say({ code: `${way}-round` })}</p>
          <p className="my-1 border-l-4 border-ink pl-2">
            <strong>Done:</strong> {say({ code: `${way}-done` })}
          </p>
          <p className="hatched-edge my-1 border-l-4 border-oxide pl-6">
            <strong>Goes wrong:</strong> {say({ code: `${way}-mistakes` })}
          </p>
        </>
      )}
      <StepList steps={after} />
    </details>
  )
}

function StepList({ steps }: { steps: readonly Step[] }) {
  const say = useSay()
  return (
    <ol className="grid gap-1">
      {steps.map((step) => (
        <li key={step.id} className="grid grid-cols-[5rem_1fr] gap-2">
          <span className="text-sm text-quiet">{who[step.who]}</span>
          <span>
            {say(stepFact(step))} <span className="text-quiet">{say(mindFact(step))}</span>
          </span>
        </li>
      ))}
    </ol>
  )
}

/** Each bleeder's share as a bar, so that the order and the amounts are seen at once. */
type VolumesProps = { stage: Stage; expected: Plan['expectedOldPct']; keptMl?: number }

function Volumes({ stage, expected, keptMl = 0 }: VolumesProps) {
  const show = useShow()
  const amounts = Object.values(stage.mlByBleeder ?? {})
  const most = Math.max(1, ...amounts)
  // What no bleeder lets out stays in the machine; of several bleeds it is counted with the first.
  const kept = stage.ml - amounts.reduce((sum, ml) => sum + ml, 0) >= 1 && keptMl > 0
  return (
    <ol className="col-span-2 col-start-2 mt-0.5 grid gap-0.5">
      {stage.order.map((bleeder) => {
        const ml = stage.mlByBleeder?.[bleeder] ?? 0
        const old = expected[bleeder]
        return (
          <li
            key={bleeder}
            className="grid min-h-11 grid-cols-[4rem_1fr_5rem] items-center gap-x-3 sm:grid-cols-[4rem_1fr_5rem_10.5rem]"
          >
            <strong className="truncate" title={bleeder}>
              {bleeder}
            </strong>
            <span className="h-3 border border-ink bg-enamel">
              <span className="block h-full bg-oxide" style={{ width: `${(100 * ml) / most}%` }} />
            </span>
            <span className="text-right">
              <Figure id={{ figure: 'bleeder', bleeder }}>{show('volume', ml)}</Figure>
            </span>
            <span className="text-right text-sm text-quiet max-sm:col-span-3 max-sm:empty:hidden">
              {old !== undefined && (
                <Figure id={{ figure: 'last-drops', bleeder }}>last drops {Math.round(old)} % old</Figure>
              )}
            </span>
          </li>
        )
      })}
      {kept && (
        <li className="grid grid-cols-[4rem_1fr_5rem] gap-x-3 text-sm text-quiet sm:grid-cols-[4rem_1fr_5rem_10.5rem]">
          <span className="col-span-2 text-right">stays in the machine</span>
          <span className="text-right">{show('volume', keptMl)}</span>
        </li>
      )}
    </ol>
  )
}
