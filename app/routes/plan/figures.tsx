import { counted, showMinutes } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import { bleedSettings, opened, type Plan, planMinutes } from '~core/plan/answer'
import { Figure } from './figure'

/** The reasons that say what kind of work this is, before anything else. */
const whatCodes = /^scope-/

/**
 * The plan in one look: what, why, how much, how long.
 *
 * @param was the plan before anything was changed on the page, so that what moved is seen
 */
export function Figures({ plan, was }: { plan: Plan; was?: Plan }) {
  const show = useShow()
  const say = useSay()
  const inContainers = (of: Plan) =>
    opened(of)
      .map(({ ml, count }) => `${count}\u00a0×\u00a0${show('volume', ml).replaceAll(' ', '\u00a0')}`)
      .join(' + ') || 'nothing'
  const bleed = plan.stages.find(({ kind }) => kind === 'bleed')
  const led = bleed ?? plan.stages.find(({ order }) => order.length > 0)
  const what = plan.reasons.find(({ code }) => whatCodes.test(code))
  const way = led?.technique && `technique-${led.technique}`
  const why = [what && say(what), way && say({ code: `${way}-why` })].filter(Boolean).join(' ')
  const order = [...new Set(plan.stages.flatMap((stage) => stage.order))]
  const moved = (now: string, before: string | undefined) =>
    before !== undefined && before !== now ? before : undefined
  const set = bleedSettings(plan)
  const inAll = (of: Plan) => show('volume', of.fluid.totalMl)
  const takes = (of: Plan) => `${showMinutes(planMinutes(of))} min`
  return (
    <Panel className="py-3" aria-label="The plan in short">
      <p className="flex flex-wrap items-baseline gap-x-5 text-2xl leading-snug">
        <span>
          <strong>{way ? say({ code: way }) : 'No bleeding'}</strong>
          {set.pressureKPa !== undefined && (
            <>
              , <Figure id={{ figure: 'pressure' }}>{show('pressure', set.pressureKPa)}</Figure>
            </>
          )}
          {plan.vacuumKPa !== undefined && (
            <>
              , <Figure id={{ figure: 'vacuum' }}>{show('pressure', plan.vacuumKPa)} below atmosphere</Figure>
            </>
          )}
        </span>
        {order.length > 0 && <span className="text-xl">{order.join(' → ')}</span>}
      </p>
      <p className="mt-1 mb-2 text-quiet">{why}</p>
      <dl className="grid grid-cols-2 gap-px bg-rule sm:grid-cols-[auto_minmax(0,1fr)_auto_auto]">
        <Cell name={`new ${plan.fluid.spec}`} was={was && moved(inAll(plan), inAll(was))}>
          <Figure id={{ figure: 'total' }}>{inAll(plan)}</Figure>
        </Cell>
        <Cell
          name={plan.fluid.onHand.length > 0 ? 'open, from the shelf first' : 'open'}
          was={was && moved(inContainers(plan), inContainers(was))}
        >
          <Figure id={{ figure: 'containers' }}>{inContainers(plan)}</Figure>
        </Cell>
        <Cell name="fluid and hands" was={was && moved(takes(plan), takes(was))}>
          <Figure id={{ figure: 'time' }}>{takes(plan)}</Figure>
        </Cell>
        <Cell name={`then top up: ${counted(plan.topUpEvery.strokes, 'stroke')}`}>
          <Figure id={{ figure: 'top-up' }}>{show('volume', plan.topUpEvery.ml)}</Figure>
        </Cell>
      </dl>
    </Panel>
  )
}

function Cell({ name, was, children }: { name: string; was?: string; children: React.ReactNode }) {
  return (
    <div className="flex flex-col bg-sheet px-3 py-2">
      <dt className="text-sm text-quiet">{name}</dt>
      <dd className="order-first text-2xl font-extrabold">{children}</dd>
      {was !== undefined && (
        <dd className="text-sm font-bold text-oxide">
          <span role="status">was {was}</span>
        </dd>
      )}
    </div>
  )
}
