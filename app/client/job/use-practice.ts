import { useCallback, useEffect, useRef, useState } from 'react'
import { newId } from '~/lib/ids'
import { useSay } from '~/lib/say'
import type { Fact } from '~core/base/decision'
import { applyEvent } from '~core/job/apply'
import type { FloorEvent } from '~core/job/events'
import type { Hidden } from '~core/job/practice-hides'
import { PracticeVehicle, type Seen } from '~core/job/practice-vehicle'
import type { JobState } from '~core/job/state'
import type { FloorAct } from './job-client'

/** The vehicle goes on by itself so often. */
const TICK_MS = 500

/**
 * A job that lives in this page alone: the same rules, nothing kept or sent anywhere, and a simulated vehicle that answers
 * to what is done.
 *
 * @param hides what the vehicle hides; the same object for as long as it is the same vehicle
 */
export function usePractice(
  beginning: JobState,
  hides: Hidden,
): {
  state: JobState
  refusal?: string
  act: (act: FloorAct) => void
  seen?: Seen
} {
  const [{ state, refusal }, setJob] = useState<{ state: JobState; refusal?: Fact }>({ state: beginning })
  const [seen, setSeen] = useState<Seen>()
  const say = useSay()
  const now = useRef(beginning)
  const simulated = useRef<{ vehicle: PracticeVehicle; at: number }>(undefined)

  /** Let what has gone by since the last time go by on the vehicle too. */
  const passed = useCallback((): PracticeVehicle | undefined => {
    const it = simulated.current
    if (!it) return undefined
    const at = performance.now()
    it.vehicle.pass((at - it.at) / 1000)
    it.at = at
    return it.vehicle
  }, [])

  useEffect(() => {
    const tempC = beginning.planned?.shop.tempC ?? 20
    simulated.current = {
      vehicle: new PracticeVehicle(beginning.vehicle, hides, tempC),
      at: performance.now(),
    }
    const tick = setInterval(() => setSeen(passed()?.seen()), TICK_MS)
    return () => clearInterval(tick)
  }, [beginning, hides, passed])

  const act = useCallback(
    (made: FloorAct) => {
      const event = { ...made, id: newId(), at: new Date().toISOString() } as FloorEvent
      const before = now.current
      const applied = applyEvent(before, event)
      if (!applied.ok) {
        setJob({ state: before, refusal: applied.refusal })
        return
      }
      now.current = applied.state
      setJob({ state: applied.state })
      const vehicle = passed()
      vehicle?.follow(before, event, applied.state)
      setSeen(vehicle?.seen())
    },
    [passed],
  )
  return { state, refusal: refusal && say(refusal), act, seen }
}
