import type { ScaleHere } from '~/client/job/use-bottle-scale'
import type { FloorAct } from '~/client/job/use-job-run'
import { counted, lowerFirst, upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow, useUnits } from '~/lib/units'
import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
import type { Phone } from '~core/cab/agree'
import { lookMarks } from '~core/job/bottle'
import { bottlesAtOnce } from '~core/job/bottles'
import { restS } from '~core/job/findings/froth'
import { inOne } from '~core/job/in-one'
import { perPullMl, pourBefore, pourSoon } from '~core/job/levels'
import { colourToExpect, lookFirst, lookOffered, lookSpeaksFor, saysHose } from '~core/job/looks'
import { type Opening, opensFurther } from '~core/job/opening'
import {
  callNow,
  callOf,
  freshPoint,
  lookOwed,
  looksAfterPull,
  pointFact,
  pointWants,
  routedBleederOf,
} from '~core/job/points'
import { runsForS } from '~core/job/runs-for'
import { runsOn } from '~core/job/runs-on'
import type { JobState, RunState, StageRunState } from '~core/job/state'
import { pointClosing, pointPreparation } from '~core/job/steps'
import { type CallMove, confirmsFact, doesFact } from '~core/technique/calls'
import { unitPrompts } from '~core/technique/calls/unit-prompts'
import { BayDialog } from './bay-dialog'
import { BigLine, GoOn } from './big-line'
import { Bottles } from './bottles'
import { CallPanel } from './call-panel'
import { WaitClock } from './hold-clock'
import { LookPanel } from './look-panel'
import { usePressByItself } from './press-by-itself'
import { Prompts } from './prompts'
import { ToppedUp, TopUp } from './top-up'
import { WaitButton } from './wait-button'

type Props = {
  state: JobState
  run: RunState
  stageRun: StageRunState
  point: string
  act: (act: FloorAct) => void
  /** How the phone in the cab stands. */
  phone: Phone
  /** The scale under the bottle, where the bay has one. */
  scale?: ScaleHere
}

/** What a look at an open bleeder is for where nothing tells it. @source from memory */
const LOOK_ML = 30
/** Nobody walks away for less. */
const WORTH_A_CLOCK_S = 20

/** The place under work: made ready, called and looked at, finished. */
export function PointPanel({ state, run, stageRun, point, act: record, phone, scale: under }: Props) {
  const { vehicle } = state
  const { act, byItself } = usePressByItself(state, phone, record)
  const progress = stageRun.at[point] ?? freshPoint()
  const say = useSay()
  const show = useShow()
  const scale = useUnits().volume
  const joint = say(pointFact(vehicle, point))
  const atRest = run.call === 'rest' && !lookOwed(run)
  const pair = inOne({ ...state, run })
  const both = () => {
    for (const each of pair?.acts ?? []) act(each)
  }
  if (atRest && !progress.ready) {
    const begins = pair && { move: pair.move, both }
    return <Prepare state={state} stageRun={stageRun} point={point} act={act} begins={begins} />
  }
  const call = callOf(stageRun.stage)
  const { looks } = call
  const pulled = looksAfterPull(stageRun.stage)
  const since = run.lookDue
    ? `Closed. What came at ${joint} since the last look?`
    : 'What came since the last look?'
  const { pulls, lastPulls } = lookSpeaksFor({ ...state, run })
  const brought = pulls > 1 ? `What did the last ${pulls} pulls bring?` : 'What did the pull bring?'
  const lookTitle = pulled ? brought : since
  const on = runsOn({ ...state, run })
  const lastsS = on && runsForS({ ...state, run }, on.ml)
  const further = run.call === 'open' ? opensFurther({ ...state, run }) : undefined
  const asked = {
    title: lookTitle,
    usualMl: pulled ? perPullMl(vehicle, stageRun, point) : on?.ml || LOOK_ML,
    pulls,
    lastPulls,
    bottleMl: run.bottleMl,
    likelyColour: colourToExpect({ ...state, run }, point),
    mayTurnNew: progress.colour !== undefined && progress.colour !== 'new',
    asks: { ml: looks.ml, colour: looks.colour },
    scale: under?.on ? under : undefined,
  }
  const look = <LookPanel key={`${point} ${progress.pulls}`} {...asked} act={act} />
  if (lookFirst({ ...state, run }))
    return (
      <div className="grid gap-5">
        {look}
        <WaitButton byItself={byItself} />
      </div>
    )
  if (run.call === 'rest' && pointWants(vehicle, stageRun, point).done)
    return <Finish state={state} stageRun={stageRun} point={point} act={act} />
  const pour = call.offVehicle ? undefined : pourSoon(state)
  const soon = pour?.code === 'top-up-soon'
  const blocked = pour && !soon ? say(pour) : undefined
  const severalBottles = bottlesAtOnce(state) > 1
  const runsLow = !pulled && run.call === 'open' && blocked !== undefined
  return (
    <div className="grid gap-5">
      {runsLow && (
        <Notice role="alert" kind="stop" className="text-2xl font-extrabold">
          The reservoir is near MIN: pour now, or close it.
        </Notice>
      )}
      {runsLow && <TopUp state={state} act={act} />}
      <CallPanel
        // A finger that still holds what closed one bottle must not close the next.
        key={severalBottles ? point : call.kind}
        call={call}
        run={run}
        joint={pointFact(vehicle, point)}
        blocked={blocked}
        before={pour && soon ? say(pour) : undefined}
        act={act}
        turn={state.callTurn ?? 0}
        phone={phone}
        restS={state.planned && restS(state.planned)}
        saysHose={saysHose({ ...state, run })}
        ends={pair && { how: say(pointClosing(vehicle, stageRun.stage, point)), both }}
      >
        {run.call === 'rest' && (soon || pour?.code === 'top-up-due') && (
          <TopUp state={state} act={act} atFoot />
        )}
      </CallPanel>
      {run.call !== 'rest' && <WaitButton byItself={byItself} />}
      {pulled && lookOffered(run) && (
        <BayDialog
          trigger={`Look now: ${counted(pulls, 'pull')} not written down`}
          title={`${upperFirst(joint)}, before it is asked for`}
        >
          {(close) => (
            <LookPanel
              {...asked}
              act={(made) => {
                act(made)
                close()
              }}
            />
          )}
        </BayDialog>
      )}
      {severalBottles && run.call === 'open' && (
        <Bottles state={{ ...state, run }} stageRun={stageRun} act={act} />
      )}
      {call.unitAsks && <Prompts prompts={unitPrompts(run.call, pointFact(vehicle, point))} />}
      {on && !runsLow && (
        <p className="border-l-8 border-ink pl-3 text-2xl">
          {on.ml === 0 ? (
            'Look now.'
          ) : (
            <>
              Let it run to{' '}
              <strong>{show('volume', lookMarks(run.bottleMl, on.ml, 1, scale).usual.markMl)}</strong> in the
              bottle
              {on.nearMin ? ': the reservoir is near MIN by then. Look, then top up.' : ', then look.'}
            </>
          )}
        </p>
      )}
      {on && !runsLow && lastsS !== undefined && lastsS >= WORTH_A_CLOCK_S && (
        <WaitClock
          startedAt={run.openedAt}
          waitS={lastsS}
          callsBack={`${upperFirst(joint)} has run to its mark: look at it now.`}
        />
      )}
      {further && <Further opening={further} />}
      {!pulled && run.call === 'open' && look}
    </div>
  )
}

/** Less of a gain than this is not worth a spanner on it again. */
const WORTH_TURNING_PCT = 10

/** Whether half a turn or two: where the bleeder is the narrowest place, and only there, it hurries. */
function Further({ opening: { mlPerMin, morePct } }: { opening: Opening }) {
  const show = useShow()
  return (
    <p className="text-quiet">
      Its line lets about {show('volume', Math.round(mlPerMin))} through in a minute.{' '}
      {morePct < WORTH_TURNING_PCT
        ? 'The line is the narrowest place: opening it further hurries nothing.'
        : `Open two turns it runs about ${morePct} % quicker, if no air comes past its thread.`}
    </p>
  )
}

type PlaceProps = Pick<Props, 'state' | 'stageRun' | 'point' | 'act'>

/** How one gets at it, and what goes on before it is called. */
function Prepare({
  state,
  stageRun,
  point,
  act,
  begins,
}: PlaceProps & {
  /** The act of the call that is done in one with putting the hose on, and both acts. */
  begins?: { move: CallMove; both: () => void }
}) {
  const say = useSay()
  const { vehicle } = state
  const joint = say(pointFact(vehicle, point))
  const before = pourBefore(state)
  const trouble = stageRun.at[point]?.trouble
  const [first, ...then] = pointPreparation(vehicle, stageRun.stage, point)
  return (
    <div className="grid gap-5">
      <BigLine who={trouble ? `Next: ${joint}, found ${trouble}` : `Next: ${joint}`}>
        {first && say(first)}
      </BigLine>
      {before && (
        <Notice className="grid gap-3 py-0 text-lg">
          {say(before)}
          <ToppedUp state={state} act={act} />
        </Notice>
      )}
      {then.map((line) => (
        <p key={line.code} className="text-2xl">
          {say(line)}
        </p>
      ))}
      {begins ? (
        <>
          <p className="text-2xl">
            {say(doesFact(callOf(stageRun.stage).states.rest, pointFact(vehicle, point)))}
          </p>
          <GoOn onClick={begins.both}>
            {`Hose is on; ${lowerFirst(say(confirmsFact(begins.move, pointFact(vehicle, point))))}`}
          </GoOn>
        </>
      ) : (
        <GoOn onClick={() => act({ type: 'point-ready', point })}>
          {routedBleederOf(vehicle, point) ? 'Hose is on' : 'Ready'}
        </GoOn>
      )}
    </div>
  )
}

/** Done: tight, and its cap back on. */
function Finish({ state: { vehicle, run, callTurn = 0 }, stageRun, point, act }: PlaceProps) {
  const say = useSay()
  const leftOpen = !looksAfterPull(stageRun.stage)
  return (
    <div className="grid gap-5">
      <BigLine who={`${upperFirst(say(pointFact(vehicle, point)))} is done`}>
        {say(pointClosing(vehicle, stageRun.stage, point))}
      </BigLine>
      <GoOn onClick={() => act({ type: 'point-finished', point })}>
        {routedBleederOf(vehicle, point) ? 'Tight, cap on: next' : 'Done: next'}
      </GoOn>
      {leftOpen && run && (
        <Button size="glove" className="text-lg" onClick={() => act(callNow(run, 'open', callTurn))}>
          Open it once more a moment: do bubbles still come?
        </Button>
      )}
    </div>
  )
}
