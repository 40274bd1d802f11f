import type { FloorAct } from '~/client/job/use-job-run'
import { AmountForm } from '~/components/bay/amount-form'
import { useSay } from '~/lib/say'
import { useFieldText, useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { partsOf, reservoirFact } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'

type ToMaxProps = { vehicle: Vehicle; reservoir: string; missingMl: number; act: (act: FloorAct) => void }

/** The last fill, with its amount; or where the level really stands, since the count says otherwise. */
export function ToMax({ vehicle, reservoir, missingMl, act }: ToMaxProps) {
  const say = useSay()
  const show = useShow()
  const text = useFieldText()
  const { maxMl = 0 } = partsOf(vehicle, 'reservoir').find(({ id }) => id === reservoir) ?? {}
  const stands = missingMl > 0 ? 'below' : 'above'
  return (
    <div className="grid max-w-sm gap-2">
      <p>
        By what was poured and drawn, {say(reservoirFact(vehicle, reservoir))} stands{' '}
        <strong>
          {show('volume', Math.abs(missingMl))} {stands} MAX
        </strong>
        .
      </p>
      {missingMl > 0 && (
        <AmountForm
          label="Poured in"
          button="Poured to MAX"
          first={text('volume', Math.round(missingMl))}
          onAmount={(amount) => act({ type: 'topped-up', reservoir, ...amount })}
        />
      )}
      <Button onClick={() => act({ type: 'level-read', reservoir, ml: maxMl })}>
        {missingMl > 0 ? 'I looked: it stands at MAX' : 'Drawn down: it stands at MAX'}
      </Button>
    </div>
  )
}
