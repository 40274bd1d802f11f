import { useEffect, useRef, useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { callsItself, type Phone } from '~core/cab/agree'
import { actsBetween, followsByItself } from '~core/job/by-itself'
import { lookFirst } from '~core/job/looks'
import { callNow, callOf, currentStage } from '~core/job/points'
import type { JobState } from '~core/job/state'
import type { CallAct, CallMachine } from '~core/technique/calls'

type Act = (act: FloorAct) => void

/** Whether presses are called by themselves here, and what holds them back. */
export type ByItself = {
  /** A phone answers in the cab, and this call has something that nobody need call. */
  on: boolean
  /** The next press waits until somebody calls it. */
  waits: boolean
  wait: (waits: boolean) => void
}

/**
 * Call what follows by itself, as soon as the phone in the cab shows the job as it is. Only the screen at which the call
 * is worked does so, or two screens would both call it.
 *
 * @returns the way to act, by which this screen is known to be the one, and how it stands
 */
export function usePressByItself(state: JobState, phone: Phone, act: Act): { act: Act; byItself: ByItself } {
  const [waits, wait] = useState(false)
  const before = useRef(state)
  const owed = useRef<CallAct>(undefined)
  const worked = useRef(false)
  const { run } = state
  const stageRun = run && currentStage(run)
  const turn = state.callTurn ?? 0
  const heard = callsItself(phone, turn) !== 'no'
  const on = heard && stageRun !== undefined && somethingFollows(callOf(stageRun.stage))

  useEffect(() => {
    // What the server adds to an act that is known here already changes nothing of what follows.
    if (actsBetween(before.current, state) !== 0)
      owed.current = worked.current ? followsByItself(before.current, state)?.act : undefined
    before.current = state
    const calls = waits ? 'no' : callsItself(phone, turn)
    if (calls === 'soon' || owed.current === undefined || !run) return
    // The scale may have told meanwhile that next to nothing came.
    if (calls === 'now' && !lookFirst({ ...state, run })) act(callNow(run, owed.current, turn))
    owed.current = undefined
  }, [state, run, phone, turn, waits, act])

  function here(made: FloorAct) {
    worked.current = true
    // Called by hand it goes on by itself again.
    if (made.type === 'call' && made.act === 'press') wait(false)
    act(made)
  }
  return { act: here, byItself: { on, waits, wait } }
}

const somethingFollows = ({ states }: CallMachine): boolean =>
  Object.values(states).some(({ next }) => next.some(({ byItself }) => byItself))
