import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { tookMore } from '~core/job/learned/against-plan'
import { isTrouble, type Learned, learnedFact } from '~core/job/learned/learned'
import type { Plan, Stage } from '~core/plan/answer'
import type { PlanRequest } from '~core/plan/request'
import { stageTraits } from '~core/plan/stage-kinds'
import { routedBleeders } from '~core/vehicle/network'

type Props = {
  plan: Plan
  request: PlanRequest
  /** What earlier jobs found out about the vehicle. */
  learned: readonly Learned[]
}

/** Every place in its order, with spanner, torque and amount, and room for what was seen. */
export function CardBleeders({ plan, request, learned }: Props) {
  const { vehicle } = request
  const show = useShow()
  const say = useSay()
  const placed = new Map(routedBleeders(vehicle).map((each) => [each.bleeder.id, each.bleeder]))
  const more = new Set(tookMore(learned, plan).map(({ bleeder }) => bleeder))
  /** What earlier jobs found at this place that changes what is taken along: another spanner than the file's, trouble, far more fluid. */
  const known = (point: string) =>
    learned.filter(
      (each) =>
        each.bleeder === point &&
        (isTrouble(each) ||
          (each.kind === 'spanner' && each.value !== placed.get(point)?.wrenchMm) ||
          (each.kind === 'volume' && more.has(point))),
    )
  const rows = plan.stages.flatMap((stage: Stage, i) => stage.points.map((point) => ({ stage, i, point })))
  return (
    <table className="w-full self-start border-2 border-ink text-left [&_td]:border [&_td]:border-ink [&_td]:px-1 [&_td]:py-0.5 print:[&_td]:py-[var(--row)] [&_th]:border [&_th]:border-ink [&_th]:px-1">
      <caption className="text-left font-bold">At each place, in this order</caption>
      <thead>
        <tr>
          <th scope="col">Stage</th>
          <th scope="col">Place</th>
          <th scope="col">Spanner, torque</th>
          <th scope="col">Through</th>
          <th scope="col">Pulls</th>
          <th scope="col">{show.unit('volume')} out</th>
          <th scope="col">3 clean</th>
          <th scope="col">Tight, cap</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ stage, i, point }) => {
          const bleeder = placed.get(point)
          const ml = stage.mlByBleeder?.[point]
          return (
            <tr key={`${i} ${point}`}>
              <td>{i + 1}</td>
              <th
                scope="row"
                className="text-base print:text-[length:var(--place,1.15em)] print:leading-none"
              >
                {bleeder
                  ? point
                  : stageTraits[stage.kind].worksAt === 'cylinders'
                    ? 'in the vice'
                    : `port ${point}`}
              </th>
              <td>
                {bleeder?.wrenchMm === undefined ? '' : `${bleeder.wrenchMm} mm`}
                {bleeder?.torqueNm === undefined ? '' : `, ${show('torque', bleeder.torqueNm)}`}
                {known(point).map((each) => (
                  <span key={each.kind} className="block">
                    {say(learnedFact(each))}
                  </span>
                ))}
                {bleeder?.access && <span className="block">{bleeder.access}</span>}
              </td>
              <td>{ml === undefined ? '' : show('volume', ml)}</td>
              <td />
              <td />
              <td>☐ ☐ ☐</td>
              <td>☐</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
