import { useEffect, useState } from 'react'
import { useAnnounce } from '~/client/heard/announce'
import type { FloorAct } from '~/client/job/use-job-run'
import { HosePicture } from '~/components/swatch'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
import type { Fact } from '~core/base/decision'
import { isUnheard, type Phone, phoneAgrees } from '~core/cab/agree'
import type { HoseSaid } from '~core/job/looks'
import { callNow } from '~core/job/points'
import type { RunState } from '~core/job/state'
import { CALL_TIMER } from '~core/job/timers'
import {
  type CabCall,
  type CallMachine,
  type CallMove,
  callStep,
  confirmsFact,
  doesFact,
} from '~core/technique/calls'
import { BigLine, GoOn } from './big-line'
import { HoldButton } from './hold-button'
import { WaitClock } from './hold-clock'
import { MainAct } from './now-panel'

type Props = {
  call: CallMachine
  run: RunState
  /** What is opened, like "bleeder RR". */
  joint: Fact
  /** Why no pull may begin now. */
  blocked?: string
  /** What is better done before the next pull, though it may begin. */
  before?: string
  /** How that, or what blocks it, is done. */
  children?: React.ReactNode
  act: (act: FloorAct) => void
  /** How long fine bubbles take to rise in this fluid today, seconds. */
  restS?: number
  /** Which turn of the call this is. */
  turn: number
  /** How the phone in the cab stands, where one is linked. */
  phone: Phone
  /** Whoever closes says what the hose shows: it spares a look. */
  saysHose?: boolean
  /** What ends here too with the next act: how that is done, and both acts. */
  ends?: { how: string; both: () => void }
}

const cabWords: Record<CabCall, string> = {
  wait: 'WAIT',
  press: 'PRESS',
  pump: 'PUMP',
  hold: 'KEEP HOLDING',
  release: 'RELEASE',
  'stay-off': 'STAY OFF THE PEDAL',
}

const opensOrCalls = ({ act }: CallMove) => act === 'open' || act === 'press'

/** The call at one joint: what each does now, the way on, and beside it what may have gone wrong. */
export function CallPanel({
  call,
  run,
  joint,
  blocked,
  before,
  act,
  turn,
  phone,
  restS,
  saysHose,
  ends,
  children,
}: Props) {
  const say = useSay()
  const [voice, setVoice] = useState(false)
  const unheard = isUnheard(phone)
  // Heard again, the phone counts again.
  useEffect(() => {
    if (!unheard) setVoice(false)
  }, [unheard])
  const step = callStep(call, run.call)
  const stands = isUnheard(phone) && run.call !== 'rest' && call.withCab
  useAnnounce({
    channel: 'link',
    says: stands ? 'The cab’s phone is not heard. This call stands still.' : '',
    signal: 'warn',
  })
  if (!step) return null
  const { actor, cab, next, waitS } = step
  const atRest = run.call === 'rest'
  const mayBegin = !atRest || blocked === undefined
  const first = atRest ? (blocked ?? before) : undefined
  const withCab = call.withCab
  /** The phone may still show the word of the pull before: nothing is opened and nobody is called down until it has caught up. */
  const behind = withCab && !unheard && !phoneAgrees(phone, turn)
  const frozen = unheard && !voice && withCab && run.call !== 'rest'
  const ways = !mayBegin
    ? []
    : frozen
      ? next.filter(({ act: each, mishap }) => each === 'close' || mishap)
      : next
  const [onward, ...others] = ways.filter(({ mishap, cabOnly }) => !mishap && !cabOnly)
  const mishaps = ways.filter(({ mishap }) => mishap)
  const confirms = (move: CallMove) => say(confirmsFact(move, joint))
  const make = (move: CallMove) => () => act(callNow(run, move.act, turn))
  const closing = (hose: HoseSaid) => () => act({ ...callNow(run, 'close', turn), hose })
  return (
    <div className="grid gap-5">
      <BigLine
        who={actor === 'wheel' ? 'At the wheel' : 'In the cab'}
        cab={call.withCab ? cabWords[cab] : undefined}
      >
        {first ?? upperFirst(say(doesFact(step, joint)))}
      </BigLine>
      {children}
      {frozen && (
        <Notice role="alert" kind="stop" className="grid gap-3">
          <p className="text-2xl font-extrabold">
            The cab’s phone is not heard. It shows HOLD. This call stands still.
          </p>
          <p>Closing is always right. To go on, call to the cab and hear the answer.</p>
          <Button size="glove" className="text-lg" onClick={() => setVoice(true)}>
            The cab answers me by voice
          </Button>
        </Notice>
      )}
      {waitS !== undefined && <WaitClock startedAt={run.timers[CALL_TIMER]} waitS={restS ?? waitS} />}
      {onward &&
        (onward.deliberate ? (
          <MainAct>
            {saysHose && onward.act === 'close' ? (
              <div className="grid grid-cols-[3fr_2fr] gap-3">
                <HoldButton label={`${upperFirst(confirms(onward))}, hose clear`} onHeld={closing('clear')}>
                  <HosePicture bubbles="none" />
                </HoldButton>
                <HoldButton label="CLOSED, bubbles" onHeld={closing('bubbles')} letter="b">
                  <HosePicture bubbles="string" />
                </HoldButton>
              </div>
            ) : (
              <HoldButton label={upperFirst(confirms(onward))} onHeld={make(onward)} />
            )}
          </MainAct>
        ) : ends && onward.withCapOn ? (
          <>
            <p className="text-2xl">{ends.how}</p>
            <GoOn onClick={ends.both}>{`${upperFirst(confirms(onward))}; tight, cap on: next`}</GoOn>
            <Button size="glove" className="text-lg" onClick={make(onward)}>
              {upperFirst(confirms(onward))}: more is wanted here
            </Button>
          </>
        ) : first !== undefined ? (
          <Button size="glove" className="text-lg" onClick={make(onward)}>
            Not yet: {confirms(onward)}
          </Button>
        ) : (
          <GoOn onClick={make(onward)} disabled={behind && opensOrCalls(onward)}>
            {behind && opensOrCalls(onward) ? 'The cab’s phone catches up…' : upperFirst(confirms(onward))}
          </GoOn>
        ))}
      {[...others, ...mishaps].map((move) =>
        move.deliberate ? (
          <HoldButton key={move.act} label={upperFirst(confirms(move))} onHeld={make(move)} />
        ) : (
          <Button key={move.act} size="glove" alarm={move.mishap} className="text-lg" onClick={make(move)}>
            {move.mishap && <span aria-hidden="true">✗</span>}
            {confirms(move)}
          </Button>
        ),
      )}
    </div>
  )
}
