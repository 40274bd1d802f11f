import type { FloorAct } from '~/client/job/use-job-run'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { reservoirFact } from '~core/vehicle/parts'
import type { PartOf, Vehicle } from '~core/vehicle/schema'
import { AmountDialog } from './amount-dialog'
import { BigLine } from './big-line'
import { LevelTap } from './level-tap'

/** A level that nobody has seen: tapped beside the reservoir where it stands, or given as an amount beyond the marks. */
export function LevelPanel({
  vehicle,
  reservoir,
  act,
}: {
  vehicle: Vehicle
  reservoir: PartOf<'reservoir'>
  act: (act: FloorAct) => void
}) {
  const show = useShow()
  const say = useSay()
  const { id, minMl, maxMl } = reservoir
  return (
    <div className="grid gap-4">
      <BigLine who="At the wheel">{`${upperFirst(say(reservoirFact(vehicle, id)))}: where does it stand?`}</BigLine>
      <LevelTap reservoir={reservoir} onLevel={(ml) => act({ type: 'level-read', reservoir: id, ml })} />
      <AmountDialog
        trigger="Over MAX, below MIN, or read exactly"
        title="What stands in it"
        label={`In it now (MIN ${show.number('volume', minMl)}, MAX ${show.number('volume', maxMl)})`}
        button="Record the level"
        onAmount={(amount) => act({ type: 'level-read', reservoir: id, ...amount })}
      />
    </div>
  )
}
