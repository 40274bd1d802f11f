import type { ScaleHere, ScaleSeen } from '~/client/job/use-bottle-scale'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { type Fact, fact } from '~core/base/decision'

/** Where a scale stands under the bottle, it may do the reading. */
export function WeighButton({ scale: { on, seen, turn } }: { scale: ScaleHere }) {
  if (on && seen) return null
  return (
    <Button size="glove" onClick={() => turn(true)}>
      Weigh the bottle
    </Button>
  )
}

/** The scale under the catch bottle: what it weighs, or why it does not; nothing where none was asked. */
export function ScaleLine({ scale: { on, turn, seen, nowMl } }: { scale: ScaleHere }) {
  const show = useShow()
  const say = useSay()
  if (!on || !seen) return null
  const fault = faultOf(seen)
  return (
    <Panel className="grid grid-cols-[auto_1fr_auto] items-center gap-4 py-3" aria-label="Scale">
      <Picture lifted={seen.isLifted || fault !== undefined} />
      <p role={fault ? 'status' : undefined}>
        {nowMl === undefined ? (
          <strong className={fault ? 'fault' : ''}>{fault ? say(fault) : 'The scale wakes up'}</strong>
        ) : (
          <>
            <strong className="block text-2xl tabular-nums">{show('volume', Math.round(nowMl))}</strong>
            came since it was written down
          </>
        )}
      </p>
      <Button size="glove" onClick={() => turn(false)}>
        No scale
      </Button>
    </Panel>
  )
}

function faultOf(seen: ScaleSeen): Fact | undefined {
  if (seen.link !== 'weighs') return seen.fault
  if (seen.isLifted) return fact('scale-no-bottle')
  return seen.disturbed && fact(`scale-was-${seen.disturbed}`)
}

/** A bottle on a plate; dashed where none is weighed. */
function Picture({ lifted }: { lifted: boolean }) {
  return (
    <svg viewBox="0 0 48 56" className="h-14" aria-hidden="true">
      <path
        d="M19 4V10L12 16V42H36V16L29 10V4"
        fill="none"
        strokeWidth="2.6"
        className="stroke-ink"
        strokeDasharray={lifted ? '4 3' : undefined}
      />
      <path d="M6 44H42M24 44V48M10 52H38" strokeWidth="3" className="stroke-ink" />
    </svg>
  )
}
