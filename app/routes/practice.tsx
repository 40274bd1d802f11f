import { Link, redirect, useNavigate } from 'react-router'
import { BayWork } from '~/components/bay/bay-work'
import { Counters } from '~/components/bay/counters'
import { Findings } from '~/components/bay/findings'
import { KeysDialog } from '~/components/bay/keys-dialog'
import { useSpaceGoesOn } from '~/components/bay/space-goes-on'
import { TroubleDialog } from '~/components/bay/trouble-dialog'
import { UndoButton } from '~/components/bay/undo-button'
import { PracticeCab } from '~/components/cab/practice-cab'
import { LineMap } from '~/components/line-map/line-map'
import { runMarks } from '~/components/order-marks'
import { WhatIsSeen } from '~/components/practice/what-is-seen'
import { HeardButtons } from '~/heard/heard-buttons'
import { useSay } from '~/lib/say'
import { usePractice } from '~/run-client/use-practice'
import { noPhone } from '~core/cab/agree'
import { frontShares } from '~core/job/front'
import { callOf, currentStage } from '~core/job/points'
import { practiceJob, practiceWays } from '~core/job/practice'
import { hidden } from '~core/job/practice-vehicle'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { examples } from '~core/vehicle/examples'
import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Route } from './+types/practice'

const VEHICLE = 'ferry-estate'

export function loader({ request }: Route.LoaderArgs) {
  const asked = new URL(request.url).searchParams.get('way')
  const way = practiceWays.find((each) => each === asked) ?? 'pump-and-hold'
  const hides = new URL(request.url).searchParams.get('hides')
  // Not told which: one that is not sound, by lot.
  if (hides === 'unknown')
    return redirect(`/practice?way=${way}&hides=${1 + Math.floor(Math.random() * (hidden.length - 1))}`)
  const vehicle = readVehicle(examples[VEHICLE]?.file)
  if (!vehicle.ok) throw new Error('the practice vehicle cannot be read')
  return { way, hides: hidden[Number(hides)] ? Number(hides) : 0, beginning: practiceJob(vehicle.value, way) }
}

export default function PracticePage({ loaderData: { way, hides, beginning } }: Route.ComponentProps) {
  // Another way is another beginning.
  return <Practice key={`${way} ${hides}`} way={way} hides={hides} beginning={beginning} />
}

type Begun = { way: string; hides: number; beginning: JobState }

/** The bay on a made-up vehicle: the same work, calls and watching, and nothing of it is recorded anywhere. */
function Practice({ way, hides, beginning }: Begun) {
  const { state, act, refusal, seen } = usePractice(beginning, hides)
  const go = useNavigate()
  const say = useSay()
  const { run } = state
  useSpaceGoesOn()
  const stageRun = run && currentStage(run)
  // Wrong fluid that moved on ends a plan; on a real job the next one is made.
  if (!run || !stageRun)
    return (
      <p className="panel text-2xl">
        This plan is at its end. <a href={`/practice?way=${way}&hides=${hides}`}>Begin again</a>
      </p>
    )
  const done = bleedDone(state)
  return (
    <div data-bay className="grid gap-4">
      <title>Practice · Ruddy Siphon</title>
      <header className="hatched flex flex-wrap items-center gap-x-6 gap-y-2 border-4 border-oxide p-3">
        <h1 className="text-2xl">Practice: nothing is recorded</h1>
        <label className="flex items-center gap-2 bg-sheet px-2">
          <span>By</span>
          <select
            className="input min-h-12"
            value={way}
            onChange={(event) => void go(`/practice?way=${event.target.value}&hides=${hides}`)}
          >
            {practiceWays.map((each) => (
              <option key={each} value={each}>
                {say({ code: `technique-${each}` })}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2 bg-sheet px-2">
          <span>Vehicle</span>
          <select
            className="input min-h-12"
            value={hides === 0 ? '0' : 'unknown'}
            onChange={(event) => void go(`/practice?way=${way}&hides=${event.target.value}`)}
          >
            <option value="0">sound</option>
            <option value="unknown">with something hidden</option>
          </select>
        </label>
        <span className="bg-sheet px-2">
          {state.vehicle.name}, made up. <Link to="/bench">Leave practice</Link>
        </span>
      </header>
      <div className="grid items-start gap-4 lg:grid-cols-[3fr_2fr]">
        <div className="grid gap-4">
          <section className="panel grid content-start gap-5" aria-label="Now">
            {refusal && (
              <p role="alert" className="fault border-l-8 border-oxide bg-enamel p-3 text-xl">
                {refusal}
              </p>
            )}
            {done ? (
              <>
                <p className="text-4xl font-extrabold">
                  The bleed is finished. On a real job it is proved now.
                </p>
                <a
                  href={`/practice?way=${way}&hides=${hides}`}
                  className="button button-main min-h-[96px] text-2xl"
                >
                  Begin again
                </a>
              </>
            ) : (
              <BayWork state={state} run={run} jobId="" saved act={act} phone={noPhone} />
            )}
          </section>
          <div className="grid grid-cols-2 gap-3">
            {!done && <TroubleDialog state={state} run={run} act={act} />}
            <UndoButton state={state} act={act} />
            <KeysDialog />
          </div>
          <HeardButtons />
        </div>
        <aside className="grid gap-4">
          {seen && <WhatIsSeen seen={seen} vehicle={state.vehicle} hides={hides} />}
          {callOf(stageRun.stage).withCab && !done && <PracticeCab state={state} act={act} />}
          <Findings state={state} act={act} />
          {!done && <Counters state={state} stageRun={stageRun} act={act} />}
          <section className="panel" aria-label="Line map">
            <LineMap
              vehicle={state.vehicle}
              marks={runMarks(state)}
              front={frontShares(state.vehicle, run.frontMl ?? {})}
              plain
              className="[&_.lm-sheet]:max-h-[38vh] [&>figcaption]:hidden"
            />
          </section>
        </aside>
      </div>
    </div>
  )
}
