import type { FloorAct } from '~/client/job/use-job-run'
import { counted } from '~/lib/format'
import { useSay } from '~/lib/say'
import { type Amount, useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import { reservoirNamed, type Watch, watchReservoirs } from '~core/job/levels'
import {
  callOf,
  cleanPullsWanted,
  currentPoint,
  freshPoint,
  isFed,
  pointFact,
  pointWants,
} from '~core/job/points'
import type { JobState, StageRunState } from '~core/job/state'
import { tankMarks } from '~core/job/tank-marks'
import { massBalance } from '~core/physics/exchange/mass-balance'
import type { PartOf } from '~core/vehicle/schema'
import { AmountDialog } from './amount-dialog'
import { AmountForm } from './amount-form'
import { BayDialog } from './bay-dialog'
import { LevelTap } from './level-tap'
import { Tank } from './tank'

type Props = { state: JobState; stageRun: StageRunState; act: (act: FloorAct) => void }

/** What the screen counts, so that nobody has to: clean pulls, volume against plan, each reservoir, the stage's balance. */
export function Counters({ state, stageRun, act }: Props) {
  const point = state.run && currentPoint(state.run)
  const fed = state.run !== undefined && isFed(state.run, stageRun.stage)
  const watches = callOf(stageRun.stage).offVehicle ? [] : watchReservoirs(state)
  return (
    <Panel className="grid gap-2 py-3 empty:hidden" aria-label="Counts">
      {point !== undefined && <PointCounts state={state} stageRun={stageRun} point={point} />}
      {state.run && fed && (
        <Tank
          stageRun={stageRun}
          tankMl={state.run.tankMl}
          marks={tankMarks(stageRun, state.run)}
          name={state.run.bottleOn ? 'Bottle on the reservoir' : 'Machine’s tank'}
          act={act}
        />
      )}
      {watches.map((watch) => (
        <Reservoir
          key={watch.reservoirId}
          reservoir={reservoirNamed(state, watch.reservoirId)}
          watch={watch}
          several={watches.length > 1}
          fed={fed}
          act={act}
        />
      ))}
      <Balance stageRun={stageRun} />
    </Panel>
  )
}

function PointCounts({ state, stageRun, point }: Omit<Props, 'act'> & { point: string }) {
  const say = useSay()
  const { vehicle } = state
  const show = useShow()
  const progress = stageRun.at[point] ?? freshPoint()
  const targetMl = stageRun.stage.mlByBleeder?.[point]
  const wanted = cleanPullsWanted(vehicle, stageRun.stage)
  const { done, wantsMl, wantsClean, wantsSettling } = pointWants(vehicle, stageRun, point)
  const wants = [
    wantsMl > 0 && show('volume', wantsMl),
    wantsClean > 0 && `${wantsClean} clean`,
    wantsSettling && 'time for fine bubbles to rise',
  ].filter(Boolean)
  return (
    <>
      {targetMl !== undefined && (
        <div>
          <p className="flex justify-between font-bold">
            <span>Through {say(pointFact(vehicle, point))}</span>
            <span>
              {show.number('volume', progress.ml)} of {show('volume', targetMl)}
            </span>
          </p>
          <span className="mt-1 block h-4 border-2 border-ink bg-enamel">
            <span
              className="block h-full bg-oxide"
              style={{ width: `${targetMl > 0 ? Math.min(100, (100 * progress.ml) / targetMl) : 100}%` }}
            />
          </span>
        </div>
      )}
      <div className="flex items-center justify-between gap-3">
        <p>
          <strong>Clean in a row</strong>, of {counted(progress.pulls, 'pull')}
          {progress.unseen && `, ${progress.unseen.pulls} by count`}
        </p>
        <p
          className="flex gap-1.5"
          role="img"
          aria-label={`${progress.cleanStreak} of ${wanted} clean in a row`}
        >
          {Array.from({ length: wanted }, (_, i) => ({ place: i + 1, clean: i < progress.cleanStreak })).map(
            ({ place, clean }) => (
              <span
                key={place}
                className={`grid size-8 place-items-center border-2 border-ink font-extrabold ${clean ? 'bg-ink text-sheet' : 'hatched'}`}
              >
                {clean ? '✓' : ''}
              </span>
            ),
          )}
        </p>
      </div>
      <p>
        {progress.airDrawn > 0 && `Air drawn in ${counted(progress.airDrawn, 'time')}: counted anew since. `}
        {progress.doubtful && 'Doubtful: clean pulls again, its volume stays. '}
        {done ? <strong>Done: volume through and clean.</strong> : `Still wants ${wants.join(' and ')}.`}
      </p>
    </>
  )
}

type ReservoirProps = {
  reservoir: PartOf<'reservoir'> | undefined
  watch: Watch
  several: boolean
  fed: boolean
  act: (act: FloorAct) => void
}

/** A reservoir from the side, with MIN and MAX at their marks; where the count has drifted, the level seen goes in. */
function Reservoir({ reservoir, watch, several, fed, act }: ReservoirProps) {
  const show = useShow()
  const { reservoirId, minMl, maxMl, levelMl, aboveMinMl, pullsLeft, shortStrokes } = watch
  const y = (ml: number) => 74 - 62 * Math.min(1.05, ml / maxMl)
  const low = !fed && levelMl !== undefined && (pullsLeft ?? 0) <= 2
  const name = several ? `Reservoir ${reservoirId}` : 'Reservoir'
  return (
    <div className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
      <svg
        viewBox="0 0 90 80"
        className="h-20 flex-none"
        role="img"
        aria-label={
          levelMl === undefined
            ? `${name}, level not known`
            : `${name} at ${show('volume', levelMl)}, MIN ${show.number('volume', minMl)}, MAX ${show.number('volume', maxMl)}`
        }
      >
        {levelMl === undefined ? (
          <text x="22" y="50" fontSize="30" className="fill-ink">
            ?
          </text>
        ) : (
          <rect x="8" y={y(levelMl)} width="44" height={74 - y(levelMl)} className="fill-oxide-wash" />
        )}
        <path d="M8 6V74H52V6" fill="none" strokeWidth="3" className="stroke-ink" />
        <path
          d={`M8 ${y(maxMl)}H56M8 ${y(minMl)}H56`}
          strokeWidth="1.6"
          strokeDasharray="4 2"
          className="stroke-ink"
        />
        <text x="58" y={y(maxMl) + 4} fontSize="11" className="fill-ink">
          MAX
        </text>
        <text x="58" y={y(minMl) + 4} fontSize="11" className="fill-ink">
          MIN
        </text>
      </svg>
      <p className={low ? 'hatched border-2 border-oxide p-2 font-bold' : ''}>
        {several && <strong className="block">{name}</strong>}
        {levelMl === undefined ? (
          'Nobody has said how full it is.'
        ) : (
          <>
            {show('volume', Math.max(0, aboveMinMl ?? 0))} above MIN
            {!fed && (
              <>
                ,<br />
                {pullsLeft === 0 ? 'top up now' : `${counted(pullsLeft ?? 0, 'pull')} to the next top-up`}
                {low && pullsLeft !== 0 && ': top up soon'}
                {shortStrokes && '; short strokes only'}
              </>
            )}
          </>
        )}
      </p>
      <div className="col-span-2 grid grid-cols-2 gap-2">
        <AmountDialog
          trigger={several ? `${reservoirId} to MAX` : 'Topped up to MAX'}
          title={`${name} filled to MAX`}
          label="How much was poured"
          button="Record the top-up"
          onAmount={(amount) => act({ type: 'topped-up', reservoir: reservoirId, ...amount })}
        />
        <BayDialog trigger="Level is not so" title={`${name}: where it really stands`}>
          {(close) => {
            const record = (amount: Amount) => {
              close()
              act({ type: 'level-read', reservoir: reservoirId, ...amount })
            }
            return (
              <>
                {reservoir && <LevelTap reservoir={reservoir} onLevel={(ml) => record({ ml })} />}
                <AmountForm
                  label={`Or exactly (MIN ${show.number('volume', minMl)}, MAX ${show.number('volume', maxMl)})`}
                  button="Record the level"
                  onAmount={record}
                />
              </>
            )
          }}
        </BayDialog>
      </div>
    </div>
  )
}

/** What went in against what came out in this stage, so that a gap is seen while it can still be found. */
function Balance({ stageRun: { tally } }: { stageRun: StageRunState }) {
  const show = useShow()
  const { inMl, outMl, drawnMl, spilledMl, unaccountedMl } = tally
  if (inMl + outMl + drawnMl + spilledMl === 0 && unaccountedMl === 0) return null
  const { wantsAnswer, gapShare } = massBalance({ inMl, outMl: outMl + drawnMl, spilledMl, unaccountedMl })
  return (
    <div className="border-t-2 border-rule pt-2 text-sm">
      <p className="text-quiet">
        This stage: poured {show.number('volume', inMl)}, out {show.number('volume', outMl + drawnMl)}
        {spilledMl > 0 && `, spilled ${show.number('volume', spilledMl)}`} {show.unit('volume')}
      </p>
      {Math.abs(unaccountedMl) >= 1 && (
        <p className={wantsAnswer ? 'hatched border-2 border-oxide p-2 text-base font-bold' : 'text-quiet'}>
          {unaccountedMl > 0
            ? `${show('volume', unaccountedMl)} are missing`
            : `${show('volume', -unaccountedMl)} more than counted`}
          {wantsAnswer &&
            ` (${Math.round(gapShare * 100)} %): a leak, a spill or a pull not written down? Look now.`}
        </p>
      )}
    </div>
  )
}
