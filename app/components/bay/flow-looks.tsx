import type { FloorAct } from '~/client/job/use-job-run'
import { Cautions } from '~/components/cautions'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import type { Amount } from '~/lib/units'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import {
  type FlowLook,
  type FlowLooked,
  flowLooks,
  LIGHT_STROKES,
  lightStrokesMl,
  nextFlowLook,
  strokesSay,
} from '~core/job/flow-looks'
import { pointFact } from '~core/job/points'
import type { Vehicle } from '~core/vehicle/schema'
import { AmountForm } from './amount-form'
import { BayDialog } from './bay-dialog'

type Act = (act: FloorAct) => void
type Props = { vehicle: Vehicle; point: string; looked?: FlowLooked; act: Act }

/** Where fluid stops that does not come: one look at a time, from the cylinder outwards, each recorded. */
export function FlowLooks({ vehicle, point, looked = {}, act }: Props) {
  const look = nextFlowLook(vehicle, point, looked)
  return (
    <>
      <LooksMade looked={looked} />
      {look && (
        <BayDialog trigger="Look where it stops" title="Where does it stop?" triggerClass="text-lg">
          {() => (
            <div className="grid gap-4">
              <LooksMade looked={looked} />
              <OneLook key={look.id} vehicle={vehicle} point={point} look={look} act={act} />
            </div>
          )}
        </BayDialog>
      )}
    </>
  )
}

/** What was looked at by now, and what it showed. */
function LooksMade({ looked }: { looked: FlowLooked }) {
  const say = useSay()
  const made = flowLooks.filter(({ id }) => Object.hasOwn(looked, id))
  if (made.length === 0) return null
  return (
    <ul aria-label="Looked at" className="grid gap-1 text-lg">
      {made.map(({ id }) => (
        <li key={id}>
          {upperFirst(say(fact(`flow-at-${id}`)))}: <strong>{say(fact(`flow-is-${looked[id]}`))}</strong>
        </li>
      ))}
    </ul>
  )
}

type OneProps = { vehicle: Vehicle; point: string; look: FlowLook; act: Act }

/** One look: what to do, what can hurt, and what was found. */
function OneLook({ vehicle, point, look, act }: OneProps) {
  const say = useSay()
  const { id, strokes, cautions, results } = look
  const record = (is: string, amount?: Amount) => act({ type: 'flow-looked', point, look: id, is, ...amount })
  return (
    <>
      <p className="text-2xl font-bold">
        {say(fact(`flow-look-${id}`, { point: pointFact(vehicle, point), strokes: LIGHT_STROKES }))}
      </p>
      <Cautions codes={cautions} />
      {strokes === undefined ? (
        <div className="grid gap-3 sm:grid-cols-2">
          {results.map((is) => (
            <Button key={is} size="glove" className="text-xl" onClick={() => record(is)}>
              {upperFirst(say(fact(`flow-is-${is}`)))}
            </Button>
          ))}
        </div>
      ) : (
        <Counted
          vehicle={vehicle}
          point={point}
          onAmount={(amount) => record(strokesSay(vehicle, point, amount.ml), amount)}
        />
      )}
    </>
  )
}

/** What counted strokes brought: nothing by one tap, an amount by its figure. */
function Counted({
  vehicle,
  point,
  onAmount,
}: {
  vehicle: Vehicle
  point: string
  onAmount: (amount: Amount) => void
}) {
  const say = useSay()
  const shouldMl = lightStrokesMl(vehicle, point)
  return (
    <>
      <Button size="glove" className="text-xl" onClick={() => onAmount({ ml: 0 })}>
        {upperFirst(say(fact('flow-is-nothing')))}
      </Button>
      <AmountForm
        label={say(fact('flow-strokes-brought', { strokes: LIGHT_STROKES }))}
        button="Record what came"
        onAmount={onAmount}
      />
      {shouldMl !== undefined && (
        <p className="text-quiet">{say(fact('flow-strokes-should', { shouldMl }))}</p>
      )}
    </>
  )
}
