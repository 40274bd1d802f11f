import type { FloorAct } from '~/client/job/use-job-run'
import { useFieldText, useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { watchReservoirs } from '~core/job/levels'
import type { JobState } from '~core/job/state'
import { AmountForm } from './amount-form'

/** The reservoir that has to be filled first: with what is missing by the count, to be put right where the bottle says otherwise. */
export function TopUp({
  state,
  act,
  atFoot,
}: {
  state: JobState
  act: (act: FloorAct) => void
  /** Whether nothing else goes on from here. */
  atFoot?: boolean
}) {
  const text = useFieldText()
  const [watch] = watchReservoirs(state)
  if (watch?.levelMl === undefined) return null
  const { reservoirId, maxMl, levelMl } = watch
  return (
    <AmountForm
      key={levelMl}
      atFoot={atFoot}
      label="Poured in, up to MAX; by count"
      button="Topped up: go on"
      first={text('volume', Math.round(maxMl - levelMl))}
      onAmount={(amount) => act({ type: 'topped-up', reservoir: reservoirId, ...amount })}
    />
  )
}

/** The same by the count with one tap, where something else may go on meanwhile. */
export function ToppedUp({ state, act }: { state: JobState; act: (act: FloorAct) => void }) {
  const show = useShow()
  const [watch] = watchReservoirs(state)
  if (watch?.levelMl === undefined) return null
  const { reservoirId: reservoir, maxMl, levelMl } = watch
  const ml = Math.round(maxMl - levelMl)
  return (
    <Button size="glove" className="text-lg" onClick={() => act({ type: 'topped-up', reservoir, ml })}>
      Topped up to MAX with {show('volume', ml)}
    </Button>
  )
}
