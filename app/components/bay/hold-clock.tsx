import { useEffect, useRef, useState } from 'react'
import { useAnnounce } from '~/client/heard/announce'
import { Button } from '~/ui/button'
import { GoOn } from './big-line'
import { goesOn } from './goes-on'
import { MainAct } from './now-panel'

/** Seconds since a moment, by this screen's clock; 0 until the page runs in the browser, which alone has that clock. */
export function useSecondsSince(startedAt: string | undefined): number {
  const [nowMs, setNowMs] = useState<number>()
  useEffect(() => {
    if (startedAt === undefined) return setNowMs(undefined)
    const tick = () => setNowMs(Date.now())
    tick()
    const timer = setInterval(tick, 200)
    return () => clearInterval(timer)
  }, [startedAt])
  return startedAt === undefined || nowMs === undefined
    ? 0
    : Math.max(0, (nowMs - Date.parse(startedAt)) / 1000)
}

export const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`

type Wait = {
  startedAt?: string
  waitS: number
  /** Called out, and felt, once it is over: whoever walked away with this screen comes back. */
  callsBack?: string
}

/** How long something has been left alone, and how long it usually is; the eyes decide. */
export function WaitClock({ startedAt, waitS, callsBack = '' }: Wait) {
  const seconds = useSecondsSince(startedAt)
  const isOver = startedAt !== undefined && seconds >= waitS
  useAnnounce({
    channel: 'clock',
    says: isOver ? callsBack : '',
    about: isOver && callsBack !== '' ? `${callsBack} ${startedAt}` : '',
    signal: 'warn',
    vibrates: true,
  })
  return (
    <div className="grid gap-1" role="timer">
      <p className="text-3xl font-extrabold">
        {clock(seconds)} <span className="text-xl font-semibold text-quiet">of usually {clock(waitS)}</span>
      </p>
      <Bar share={seconds / waitS} />
      {isOver && callsBack !== '' && (
        <p role="status" className="text-2xl font-extrabold">
          {callsBack}
        </p>
      )}
    </div>
  )
}

type Hold = {
  holdS: number
  startedAt?: string
  onStart: () => void
  /** @param heldS how long it had to be held, s: clocks of two screens differ, so what one of them counts beyond is not claimed */
  onDone: (heldS: number) => void
  doneLabel?: string
  large?: boolean
}

/**
 * Something that must be held: begun by a tap, and held once its time is over, with no second tap, unless somebody said
 * that it was let go. After a reload, and on another screen, whoever looks says so.
 */
export function HoldClock({ holdS, startedAt, onStart: start, onDone, doneLabel, large = true }: Hold) {
  const seconds = useSecondsSince(startedAt)
  const left = Math.ceil(holdS - seconds)
  const startedHere = useRef(false)
  const onStart = () => {
    startedHere.current = true
    start()
  }
  useEffect(() => {
    if (startedAt === undefined || left > 0 || !startedHere.current) return
    startedHere.current = false
    onDone(holdS)
  }, [startedAt, left, holdS, onDone])
  if (startedAt === undefined)
    return large ? (
      <GoOn onClick={onStart}>{`Held from now: ${holdS} s`}</GoOn>
    ) : (
      <Button onClick={onStart}>Held from now: {holdS} s</Button>
    )
  return (
    <div className="grid gap-2" role="timer">
      <Bar share={seconds / holdS} />
      <MainAct>
        <Button
          main
          size={large ? 'call' : 'desk'}
          className="w-full"
          ref={large ? goesOn : undefined}
          disabled={left > 0}
          onClick={() => onDone(holdS)}
        >
          {left > 0 ? `Keep holding: ${left} s` : (doneLabel ?? 'Held, it stayed')}
        </Button>
      </MainAct>
      <Button size={large ? 'glove' : 'desk'} onClick={onStart}>
        Let go: start the clock again
      </Button>
    </div>
  )
}

export function Bar({ share }: { share: number }) {
  return (
    <span className="block h-4 border-2 border-ink bg-enamel">
      <span className="block h-full bg-oxide" style={{ width: `${100 * Math.min(1, share)}%` }} />
    </span>
  )
}
