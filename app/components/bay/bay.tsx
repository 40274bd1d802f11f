import type { JobHere } from '~/client/job/job-here'
import { useBottleScale } from '~/client/job/use-bottle-scale'
import { LineMap } from '~/components/line-map/line-map'
import { runMarks } from '~/components/order-marks'
import { stageNames } from '~/components/stage-names'
import { fluidPaints } from '~/components/swatch'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import type { Phone } from '~core/cab/agree'
import { bottlesAtOnce } from '~core/job/bottles'
import { frontShares } from '~core/job/front'
import { type Learned, learnedFact, ofItsKind } from '~core/job/learned/learned'
import { levelFirst } from '~core/job/levels'
import { cabAhead, callOf, currentPoint, currentStage, feedsReservoir } from '~core/job/points'
import { bleedDone } from '~core/job/selectors'
import { jointToShut } from '~core/job/standing'
import type { RunState } from '~core/job/state'
import { routineSteps } from '~core/job/troubles/routine-stopped'
import { BayWork } from './bay-work'
import { CabPhone } from './cab-phone'
import type { CabCode } from './code-shown'
import { ContainerDialog, type Shelf } from './container-dialog'
import { Counters } from './counters'
import { Findings } from './findings'
import { Foot } from './foot'
import { NowPanel } from './now-panel'
import { PourFrom } from './pour-from'
import { Refusal } from './refusal'
import { ScaleLine, WeighButton } from './scale-line'
import { StandsLine } from './stands-line'
import { WayDialog } from './way-dialog'
import { WhatChanged } from './what-changed'

type Props = {
  here: JobHere
  run: RunState
  learned: Learned[]
  shelf: Shelf
  cab?: CabCode
  phone: Phone
}

/** The bay at work: what is to be done now, what is counted, the map, and what went wrong. */
export function Bay({ here, run, learned, shelf, cab, phone }: Props) {
  const { state, refusal, link, jobId } = here
  const scale = useBottleScale(state, here.act)
  const { act } = scale
  const show = useShow()
  const say = useSay()
  const stageRun = currentStage(run)
  if (!stageRun) return null
  const { kind } = stageRun.stage
  const cautions = run.setup.cautions.filter(({ at }) => at === kind)
  const lastTrouble = state.troubles.at(-1)
  const justNow = lastTrouble && state.undoable.at(-1)?.eventId === lastTrouble.eventId
  const working = !bleedDone(state)
  // What is looked at or shut first keeps the screen to itself.
  const looksFirst = levelFirst(state) !== undefined || jointToShut({ ...state, run }) !== undefined
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[3fr_2fr]">
      <div className="grid gap-4">
        <NowPanel>
          <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
            <p className="text-quiet">
              Stage {run.stageIndex + 1} of {run.stages.length}:{' '}
              <strong className="text-ink">{stageNames[kind]}</strong>
              {run.setup.pressureKPa !== undefined &&
                feedsReservoir(stageRun.stage) &&
                `, ${show('pressure', run.setup.pressureKPa)}`}
            </p>
            <StandsLine state={state} />
          </div>
          {refusal && <Refusal text={refusal} />}
          {justNow && <WhatChanged report={lastTrouble} loud />}
          {!looksFirst && <PourFrom state={state} act={act} shelf={shelf} />}
          <LearnedHere
            learned={learned}
            point={currentPoint(run)}
            routine={routineSteps(stageRun.stage).length > 0}
          />
          <BayWork
            state={state}
            run={run}
            jobId={jobId}
            saved={link === 'saved'}
            act={act}
            phone={phone}
            scale={scale}
          />
        </NowPanel>
        <Foot here={here} />
      </div>
      <aside className="grid gap-4">
        <Findings state={state} act={act} />
        {working && <Counters state={state} stageRun={stageRun} act={act} />}
        {working && !state.filed && weighsHere(run) && <ScaleLine scale={scale} />}
        {working && !state.filed && (
          <div className="grid auto-cols-fr grid-flow-col gap-3">
            {weighsHere(run) && <WeighButton scale={scale} />}
            <Button
              size="glove"
              disabled={run.bottleMl === 0}
              onClick={() => act({ type: 'bottle-emptied' })}
            >
              <span>
                Bottle emptied <span className="whitespace-nowrap">({show('volume', run.bottleMl)})</span>
              </span>
            </Button>
            <ContainerDialog state={state} act={act} shelf={shelf} />
          </div>
        )}
        <Panel aria-label="Line map">
          <LineMap
            vehicle={state.vehicle}
            marks={runMarks(state)}
            front={frontShares(state.vehicle, run.frontMl ?? {})}
            plain
            className="[&_.lm-sheet]:max-h-[38vh] [&>figcaption]:hidden"
          />
          {Object.keys(run.frontMl ?? {}).length > 0 && <FrontKey />}
        </Panel>
        {working && !state.filed && <WayDialog state={state} act={act} />}
        {working && cabAhead(run) && (
          // How a linked phone stands is looked at all the time, so it is on top; linking one is done once.
          <div className={cab ? '-order-1 grid' : 'grid'}>
            <CabPhone jobId={jobId} cab={cab} link={phone.link} />
          </div>
        )}
        {cautions.length > 0 && (
          <Panel as="details">
            <summary className="font-bold">Cautions here: {cautions.length}</summary>
            <ul className="mt-2 grid list-disc gap-1.5 pl-5">
              {cautions.map((caution) => (
                <li key={caution.code}>{say(caution)}</li>
              ))}
            </ul>
          </Panel>
        )}
        {state.troubles.length > 0 && (
          <Panel as="details">
            <summary className="font-bold">What went wrong so far: {state.troubles.length}</summary>
            <ol className="mt-2 grid gap-3">
              {state.troubles.map((report) => (
                <li key={report.eventId}>
                  <WhatChanged report={report} />
                </li>
              ))}
            </ol>
          </Panel>
        )}
      </aside>
    </div>
  )
}

/** Whether what comes now runs into one bottle, which a scale could stand under. */
function weighsHere(run: RunState): boolean {
  const stageRun = currentStage(run)
  return stageRun !== undefined && callOf(stageRun.stage).looks.ml && bottlesAtOnce({ run }) === 1
}

/** What earlier jobs found at the bleeder that is next, a spanner that fitted, a thread that gave trouble; and at the tool. */
function LearnedHere({ learned, point, routine }: { learned: Learned[]; point?: string; routine: boolean }) {
  const say = useSay()
  const here = learned.filter(
    (each) =>
      (each.bleeder !== undefined && each.bleeder === point && each.kind !== 'volume') ||
      (routine && ofItsKind(each)),
  )
  if (here.length === 0) return null
  return (
    <p className="border-l-8 border-ink pl-3">
      {here.map((each) => `${say(learnedFact(each))} (${showDate(each.at)})`).join(' ')}
    </p>
  )
}

/** What the filled lines on the map mean. */
function FrontKey() {
  return (
    <p className="mt-2 flex items-center gap-2 text-sm text-quiet">
      <svg viewBox="0 0 40 14" className="h-3.5 w-10 flex-none" aria-hidden="true">
        <path d="M0 7H34" strokeWidth="12" className="stroke-ink" />
        <path d="M0 7H34" strokeWidth="9" stroke={fluidPaints.new} />
        <path d="M34 0V14" strokeWidth="3" className="stroke-ink" />
      </svg>
      So far the reservoir’s fluid has come, worked out from what came out; it blurs around this.
    </p>
  )
}
