import type { FloorAct } from '~/client/job/use-job-run'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { bottlesAtOnce, hangable } from '~core/job/bottles'
import type { Running } from '~core/job/events/kind'
import { expectedMlPerMin } from '~core/job/findings/driving'
import { behindUnit, flowOf } from '~core/job/findings/slow-flow'
import { freshPoint, openPoints } from '~core/job/points'
import type { StageRunState } from '~core/job/state'
import { techniqueOf } from '~core/technique'

type Props = { state: Running; stageRun: StageRunState; act: (act: FloorAct) => void }

/** Gravity's bottles side by side: which run, how far each is, and which one is in hand; at most four at once. */
export function Bottles({ state, stageRun, act }: Props) {
  const { run } = state
  const open = openPoints(run)
  const free = hangable(state)
  const shown = stageRun.points.filter((id) => open.includes(id) || free.includes(id))
  return (
    <section aria-label="Bottles" className="grid gap-2">
      <p className="text-quiet">
        {open.length} of at most {bottlesAtOnce(state)} run. Tap one to look at it.
      </p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {shown.map((point) => {
          const inHand = point === run.callAt
          const runs = open.includes(point)
          return (
            <Button
              key={point}
              chosen={inHand}
              disabled={run.call !== 'open'}
              onClick={() => !inHand && act({ type: runs ? 'bottle-watched' : 'bottle-hung', point })}
              className="min-h-[148px] flex-col gap-1 px-2"
            >
              <span className="text-2xl font-extrabold">{point}</span>
              <Bottle state={state} stageRun={stageRun} point={point} runs={runs} />
              <span className="text-sm leading-tight">
                {inHand ? 'in hand' : runs ? 'runs: look' : 'Hang and open'}
              </span>
            </Button>
          )
        })}
      </div>
    </section>
  )
}

function Bottle({ state, stageRun, point, runs }: Omit<Props, 'act'> & { point: string; runs: boolean }) {
  const show = useShow()
  const progress = stageRun.at[point] ?? freshPoint()
  const { ml, cleanStreak, countedMl = 0 } = progress
  const targetMl = stageRun.stage.mlByBleeder?.[point] ?? 0
  const share = (much: number) => (targetMl > 0 ? Math.min(1, much / targetMl) : 1)
  const [seen, counted] = [share(ml), share(ml + countedMl)]
  const should = runs ? shouldPass(state, stageRun, point) : undefined
  const passes = flowOf(progress, should)
  return (
    <>
      <svg viewBox="0 0 40 48" className="h-12" aria-hidden="true">
        <rect x="8" y={44 - 32 * seen} width="24" height={32 * seen} className="fill-oxide-wash" />
        {counted > seen && (
          <path
            d={`M8 ${44 - 32 * counted}H32`}
            strokeWidth="2"
            strokeDasharray="3 3"
            className="stroke-ink"
          />
        )}
        <path
          d="M15 2V8L8 14V44H32V14L25 8V2"
          fill="none"
          strokeWidth="2.6"
          className="stroke-ink"
          strokeDasharray={runs ? undefined : '4 3'}
        />
      </svg>
      <span className="text-sm leading-tight font-normal">
        {show.number('volume', ml)} of {show('volume', targetMl)}
        {should !== undefined && (
          <span className="block">
            {passes === undefined ? 'should pass' : `passes ${show.number('volume', passes)}, should`}{' '}
            {show('volume', Math.round(should))} a minute
          </span>
        )}
        {should !== undefined && <span className="block text-quiet">{left(targetMl - ml, should)}</span>}
        {cleanStreak > 0 && <span className="block">{cleanStreak} clean</span>}
      </span>
    </>
  )
}

/** What its line lets through with the others that run, mL/min; behind a control unit nobody knows. */
function shouldPass(state: Running, stageRun: StageRunState, point: string): number | undefined {
  const { technique: id } = stageRun.stage
  if (id === undefined) return undefined
  const technique = techniqueOf(id)
  const seen = { state, stageRun, technique, point, progress: stageRun.at[point] ?? freshPoint() }
  return behindUnit(seen) ? undefined : expectedMlPerMin(seen, point)
}

/** How long it still runs at least: a sound line may be a little slower than predicted. */
const left = (ml: number, mlPerMin: number): string =>
  ml <= 0 ? 'its volume is through' : `at least ${Math.max(1, Math.round(ml / mlPerMin))} min more`
