import { useMemo } from 'react'
import { redirect } from 'react-router'
import { HeardButtons } from '~/client/heard/heard-buttons'
import { useHelperRoom } from '~/client/job/use-helper-room'
import { usePractice } from '~/client/job/use-practice'
import { BayWork } from '~/components/bay/bay-work'
import { Counters } from '~/components/bay/counters'
import { Findings } from '~/components/bay/findings'
import { useSpaceGoesOn } from '~/components/bay/goes-on'
import { KeysDialog } from '~/components/bay/keys-dialog'
import { NowPanel } from '~/components/bay/now-panel'
import { TroubleDialog } from '~/components/bay/trouble-dialog'
import { UndoButton } from '~/components/bay/undo-button'
import { LineMap } from '~/components/line-map/line-map'
import { runMarks } from '~/components/order-marks'
import { FileButton } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { cabView } from '~core/cab/view'
import { frontShares } from '~core/job/front'
import { callOf, currentStage } from '~core/job/points'
import { practiceJob, practiceVehicle, practiceWaysOf } from '~core/job/practice'
import { hiddenIn, hiddenKinds, practiceWheels } from '~core/job/practice-hides'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import type { Route } from './+types/practice'
import { PracticeCab } from './practice-cab'
import { PracticeHead, practiceAddress } from './practice-head'
import { WhatIsSeen } from './what-is-seen'
import { WhatItIs } from './what-it-is'

const byLot = (count: number) => Math.floor(Math.random() * count)

export function loader({ request }: Route.LoaderArgs) {
  const asked = new URL(request.url).searchParams
  const { name, vehicle } = practiceVehicle(asked.get('vehicle'))
  const ways = practiceWaysOf(vehicle)
  const way = ways.find((each) => each === asked.get('way')) ?? ways[0]
  const wheels = practiceWheels(vehicle).length
  // Not told which: one that is not sound, by lot.
  if (asked.get('hides') === 'unknown')
    return redirect(
      practiceAddress({ name, way, hides: 1 + byLot(hiddenKinds.length - 1), wheel: byLot(wheels) }),
    )
  const among = (text: string | null, count: number) =>
    /^\d+$/.test(text ?? '') && Number(text) < count ? Number(text) : 0
  const hides = among(asked.get('hides'), hiddenKinds.length)
  const wheel = among(asked.get('wheel'), wheels)
  return { name, way, ways, hides, wheel, beginning: practiceJob(vehicle, way) }
}

export default function PracticePage({ loaderData }: Route.ComponentProps) {
  // Another way is another beginning.
  return <Practice key={practiceAddress(loaderData)} {...loaderData} />
}

type Begun = {
  name: string
  way: string
  ways: readonly string[]
  hides: number
  wheel: number
  beginning: JobState
}

/** The bay on a made-up vehicle: the same work, calls and watching, and nothing of it is recorded anywhere. */
function Practice({ name, way, ways, hides, wheel, beginning }: Begun) {
  const { vehicle } = beginning
  const hidden = useMemo(() => hiddenIn(vehicle, hides, wheel), [vehicle, hides, wheel])
  const { state, act, refusal, seen } = usePractice(beginning, hidden)
  // What the helper waits for is that of the job alone: the page is drawn anew while the vehicle goes on.
  const view = useMemo(() => cabView(state), [state])
  const helper = useHelperRoom(view, act)
  const { run } = state
  useSpaceGoesOn()
  const again = practiceAddress({ name, way, hides, wheel })
  const stageRun = run && currentStage(run)
  // Wrong fluid that moved on ends a plan; on a real job the next one is made.
  if (!run || !stageRun)
    return (
      <Panel as="p" className="text-2xl">
        This plan is at its end. <a href={again}>Begin again</a>
      </Panel>
    )
  const done = bleedDone(state)
  const withCab = state.planned?.plan.stages.some((stage) => callOf(stage).withCab)
  return (
    <div data-bay className="grid gap-4">
      <title>Practice · Ruddy Siphon</title>
      <PracticeHead name={name} way={way} ways={ways} hides={hides} wheel={wheel} />
      <div className="grid items-start gap-4 lg:grid-cols-[3fr_2fr] lg:grid-rows-[auto_1fr]">
        <div className="grid gap-4">
          <NowPanel>
            {refusal && (
              <Notice role="alert" kind="wrong" className="text-xl">
                {refusal}
              </Notice>
            )}
            {done ? (
              <>
                <p className="text-4xl font-extrabold">
                  The bleed is finished. On a real job it is proved now.
                </p>
                <FileButton href={again} main size="call">
                  Begin again
                </FileButton>
              </>
            ) : (
              <BayWork state={state} run={run} jobId="" saved act={act} phone={helper.phone} />
            )}
          </NowPanel>
          <div className="grid grid-cols-2 gap-3">
            {!done && <TroubleDialog state={state} run={run} act={act} />}
            <UndoButton state={state} act={act} />
            <KeysDialog />
          </div>
          <HeardButtons />
        </div>
        <aside className="grid gap-4 lg:row-span-2">
          {seen && <WhatIsSeen seen={seen} />}
          {withCab && !done && <PracticeCab view={view} act={act} helper={helper} />}
          <Findings state={state} act={act} />
          {!done && <Counters state={state} stageRun={stageRun} act={act} />}
          <Panel aria-label="Line map">
            <LineMap
              vehicle={vehicle}
              marks={runMarks(state)}
              front={frontShares(vehicle, run.frontMl ?? {})}
              plain
              className="[&_.lm-sheet]:max-h-[38vh] [&>figcaption]:hidden"
            />
          </Panel>
        </aside>
        {/* Beside what is seen where there is room for it, else after it. */}
        {seen && <WhatItIs vehicle={vehicle} hides={hides} wheel={wheel} looks={seen.looks} />}
      </div>
    </div>
  )
}
