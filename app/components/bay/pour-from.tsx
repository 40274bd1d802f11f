import type { FloorAct } from '~/client/job/use-job-run'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { lookOwed } from '~core/job/points'
import type { JobState, UsedContainer } from '~core/job/state'
import type { ShelfContainer } from '~core/stock/container'
import { offered, openedAct, type Shelf } from './container-dialog'

type Props = { state: JobState; act: (act: FloorAct) => void; shelf: Shelf }

/**
 * Before anything is poured: which container to take, one tap to say that it is this one. After more was poured than it
 * held by the book: where the rest came from.
 */
export function PourFrom({ state, act, shelf }: Props) {
  const show = useShow()
  const [first] = offered({ state, shelf })
  // In the middle of a call nothing else asks for eyes or hands.
  const busy = state.run?.call !== 'rest' || lookOwed(state.run)
  const inUse = state.containers.at(-1)
  if (inUse?.beyondMl !== undefined && !busy)
    return <TheRest inUse={inUse} beyondMl={inUse.beyondMl} next={first} act={act} />
  if (inUse || !first || busy) return null
  return (
    <div className="flex flex-wrap items-center justify-between gap-3 border-l-8 border-ink pl-3">
      <p>
        Pour from <strong>{first.product}</strong>, {first.spec}, batch {first.batch || '?'},{' '}
        <span className="font-mono">{first.code}</span>: {show('volume', first.leftMl)}
        {first.openedOn ? ', open already' : ', sealed'}.
      </p>
      <Button size="glove" onClick={() => act(openedAct(first))}>
        I have it: it says {first.spec}
      </Button>
    </div>
  )
}

type Rest = { inUse: UsedContainer; beyondMl: number; next?: ShelfContainer; act: (act: FloorAct) => void }

/** More was poured than the container held by the book. */
function TheRest({ inUse: { beyondMl: _owed, ...inUse }, beyondMl, next, act }: Rest) {
  const show = useShow()
  return (
    <div className="grid gap-3 border-l-8 border-oxide pl-3" role="alert">
      <p>
        By the book <span className="font-mono">{inUse.code}</span> held{' '}
        <strong>{show('volume', beyondMl)} less</strong> than was poured. Where did the rest come from?
      </p>
      <div className="flex flex-wrap gap-3">
        {next && (
          <Button size="glove" onClick={() => act(openedAct(next))}>
            The next one, {next.code}: it says {next.spec}
          </Button>
        )}
        <Button size="glove" onClick={() => act({ type: 'container-opened', container: inUse })}>
          This one held more
        </Button>
      </div>
    </div>
  )
}
