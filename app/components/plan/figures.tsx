import { counted, showMinutes } from '~/lib/format'
import { useShow } from '~/lib/units'
import { methodName } from '~core/method'
import type { Plan } from '~core/plan/answer'

/** The plan in one look: method, order, fluid, containers, time, top-up. */
export function Figures({ plan }: { plan: Plan }) {
  const show = useShow()
  const minutes = plan.stages.reduce((sum, stage) => sum + stage.minutes, 0)
  const bleed = plan.stages.find((stage) => stage.kind === 'bleed')
  const buy = plan.fluid.buy.map(({ ml, count }) => `${count} × ${show('volume', ml)}`).join(' + ')
  return (
    <section className="panel" aria-label="The plan in short">
      <p className="mb-3 text-xl">
        <strong>{bleed?.method ? methodName(bleed.method) : 'No bleeding'}</strong>
        {plan.pressureKPa !== undefined && `, ${show('pressure', plan.pressureKPa)}`}
        {plan.vacuumKPa !== undefined && `, ${show('pressure', plan.vacuumKPa)} below atmosphere`}
        {bleed && `, order ${bleed.order.join(' → ')}`}
      </p>
      <dl className="grid grid-cols-2 gap-px bg-rule sm:grid-cols-4">
        <Figure
          name={`new ${plan.fluid.spec}`}
          value={show.number('volume', plan.fluid.totalMl)}
          unit={show.unit('volume')}
          note={`of it ${show('volume', plan.fluid.reservoirMl)} in the reservoir`}
        />
        <Figure name="open" value={buy || 'nothing'} note="least left over" />
        <Figure name="time" value={showMinutes(minutes)} unit="min" note="fluid and hands" />
        <Figure
          name="top up every"
          value={show.number('volume', plan.topUpEvery.ml)}
          unit={show.unit('volume')}
          note={`at most ${counted(plan.topUpEvery.strokes, 'full stroke')}`}
        />
      </dl>
    </section>
  )
}

function Figure({ name, value, unit, note }: { name: string; value: string; unit?: string; note: string }) {
  return (
    <div className="flex flex-col bg-sheet p-3">
      <dt className="text-quiet">{name}</dt>
      <dd className="order-first text-2xl font-extrabold">
        {value} {unit && <span className="text-base font-semibold">{unit}</span>}
      </dd>
      <dd className="text-sm text-quiet">{note}</dd>
    </div>
  )
}
