import type { FloorAct } from '~/client/job/use-job-run'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { pointFact } from '~core/job/points'
import type { OpenJoint } from '~core/job/standing'
import type { JobState } from '~core/job/state'
import { BigLine } from './big-line'
import { HoldButton } from './hold-button'
import { MainAct } from './now-panel'

/** A joint that stands open outside the call: nothing else is begun and nobody lets go before it is shut. */
export function ShutPanel({
  state: { vehicle, run },
  joint: { point, how },
  act,
}: {
  state: Pick<JobState, 'vehicle' | 'run'>
  joint: OpenJoint
  act: (act: FloorAct) => void
}) {
  const say = useSay()
  const named = upperFirst(say(pointFact(vehicle, point)))
  const pressed = run !== undefined && run.call !== 'rest'
  return (
    <div className="grid gap-5">
      <BigLine who="At the wheel" cab={pressed ? 'KEEP HOLDING' : undefined}>
        {how === 'broken'
          ? `${named} is broken and OPEN: plug it or hold it shut.`
          : `${named} stands OPEN: shut it.`}
      </BigLine>
      <p className="text-2xl">Nothing else is opened, pressed or let go before.</p>
      <MainAct>
        <HoldButton label={`${named} is SHUT`} onHeld={() => act({ type: 'joint-shut', point })} />
      </MainAct>
    </div>
  )
}
