import { useShow } from '~/lib/units'
import type { FloorAct } from '~/run-client/use-job-run'
import type { JobState } from '~core/job/state'
import { offered, openedAct, type Shelf } from './container-dialog'

type Props = { state: JobState; act: (act: FloorAct) => void; shelf: Shelf }

/** Before anything is poured: which container to take, one tap to say that it is this one. */
export function PourFrom({ state, act, shelf }: Props) {
  const show = useShow()
  const [first] = offered({ state, shelf })
  // In the middle of a call nothing else asks for eyes or hands.
  const busy = state.run?.call !== 'rest' || state.run.lookDue
  if (state.containers.length > 0 || !first || busy) return null
  return (
    <div className="flex flex-wrap items-center justify-between gap-3 border-l-8 border-ink pl-3">
      <p>
        Pour from <strong>{first.product}</strong>, {first.spec}, batch {first.batch || '?'},{' '}
        <span className="font-mono">{first.code}</span>: {show('volume', first.leftMl)}
        {first.openedOn ? ', open already' : ', sealed'}.
      </p>
      <button type="button" className="button min-h-[56px]" onClick={() => act(openedAct(first))}>
        I have it: it says {first.spec}
      </button>
    </div>
  )
}
