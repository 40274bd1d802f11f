import type { FloorAct } from '~/run-client/use-job-run'
import { type CabCall, type CallKind, type CallMove, callMachines, callStep } from '~core/call'
import { callNow } from '~core/run/points'
import type { RunState } from '~core/run/state'
import { CALL_TIMER } from '~core/run/timers'
import { BigLine, GoOn } from './big-line'
import { HoldButton } from './hold-button'
import { WaitClock } from './hold-clock'

type Props = {
  kind: CallKind
  run: RunState
  /** What is opened, like "bleeder RR". */
  joint: string
  /** Why no pull may begin now. */
  blocked?: string
  act: (act: FloorAct) => void
}

const cabWords: Record<CabCall, string> = {
  wait: 'WAIT',
  press: 'PRESS',
  hold: 'KEEP HOLDING',
  release: 'RELEASE',
  'stay-off': 'STAY OFF THE PEDAL',
}

const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** The call at one joint: what each does now, the way on, and beside it what may have gone wrong. */
export function CallPanel({ kind, run, joint, blocked, act }: Props) {
  const step = callStep(kind, run.call)
  if (!step) return null
  const { actor, does, cab, next, waitS } = step
  const mayBegin = run.call !== 'rest' || blocked === undefined
  const ways = mayBegin ? next : []
  const [onward, ...others] = ways.filter(({ mishap }) => !mishap)
  const mishaps = ways.filter(({ mishap }) => mishap)
  const make = (move: CallMove) => () => act(callNow(run, move.act))
  return (
    <div className="grid gap-5">
      <BigLine
        who={actor === 'wheel' ? 'At the wheel' : 'In the cab'}
        cab={callMachines[kind].withCab ? cabWords[cab] : undefined}
      >
        {mayBegin ? upperFirst(does(joint)) : blocked}
      </BigLine>
      {waitS !== undefined && <WaitClock startedAt={run.timers[CALL_TIMER]} waitS={waitS} />}
      {onward &&
        (onward.deliberate ? (
          <HoldButton label={upperFirst(onward.confirms(joint))} onHeld={make(onward)} />
        ) : (
          <GoOn onClick={make(onward)}>{upperFirst(onward.confirms(joint))}</GoOn>
        ))}
      {[...others, ...mishaps].map((move) =>
        move.deliberate ? (
          <HoldButton key={move.act} label={upperFirst(move.confirms(joint))} onHeld={make(move)} />
        ) : (
          <button
            key={move.act}
            type="button"
            onClick={make(move)}
            className={`button min-h-[72px] text-lg ${move.mishap ? 'hatched border-oxide' : ''}`}
          >
            {move.mishap && <span aria-hidden="true">✗</span>}
            {move.confirms(joint)}
          </button>
        ),
      )}
    </div>
  )
}
