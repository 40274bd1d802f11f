import { useEffect, useRef, useState } from 'react'
import { browserStream } from '~/client/live/live-stream'
import { fluidOf } from '~core/fluid/specs'
import { pullsUnseen } from '~core/job/looks'
import type { JobState } from '~core/job/state'
import { mayFlow, opensNext, scaleAct } from '~core/job/weighed'
import { BottleScale, type ScaleSeen } from './bottle-scale'
import type { FloorAct } from './use-job-run'

export type { ScaleSeen }

const KEPT_AS = 'siphon-weighs'

/** The scale under the catch bottle, as the bay works with it. */
export type ScaleHere = {
  /** The way to act, by which this screen is known to be the one that is worked at. */
  act: (act: FloorAct) => void
  on: boolean
  turn: (on: boolean) => void
  seen?: ScaleSeen
  /** What came since it was written down last, mL; undefined where the bottle is read by its marks. */
  dueMl?: number
  /** The same for the eye, while it runs. */
  nowMl?: number
  isStill: boolean
}

/**
 * Weigh the bottle where this device was told to. What it tells is written down by the screen at which the work is done;
 * another one only shows it.
 */
export function useBottleScale(state: JobState, record: (act: FloorAct) => void): ScaleHere {
  const worked = useRef(false)
  const [on, setOn] = useState(false)
  const [seen, setSeen] = useState<ScaleSeen>()
  const now = useRef(state)
  now.current = state
  const scale = useRef<BottleScale>(undefined)
  /** What was counted, and what had come, when this screen began to count in this bleed. */
  const from = useRef<{ bleed: string; countedMl: number; cameMl: number }>(undefined)
  const tried = useRef('')
  const changes = useRef(0)
  const gPerMl = fluidOf(state.vehicle.fluid.spec).densityKgM3 / 1000
  useEffect(() => setOn(localStorage.getItem(KEPT_AS) === 'yes'), [])
  useEffect(() => {
    if (!on) return setSeen(undefined)
    const made = new BottleScale(
      gPerMl,
      () => mayFlow(now.current),
      () => opensNext(now.current),
      browserStream,
    )
    scale.current = made
    from.current = undefined
    changes.current = 0
    const off = made.subscribe(() => setSeen(made.snapshot()))
    const visible = () => (document.hidden ? made.close() : made.open())
    made.begin()
    document.addEventListener('visibilitychange', visible)
    return () => {
      off()
      made.end()
      document.removeEventListener('visibilitychange', visible)
    }
  }, [on, gPerMl])

  const bleed = `${state.earlier.length} ${state.planned?.plan.fluid.totalMl}`
  const countedMl = state.run?.weighed?.ml ?? 0
  if (seen && from.current?.bleed !== bleed) from.current = { bleed, countedMl, cameMl: seen.cameMl }
  const since = (cameMl: number) =>
    Math.max(0, cameMl - (from.current?.cameMl ?? 0) - (countedMl - (from.current?.countedMl ?? 0)))
  const weighs = seen?.link === 'weighs' && seen.disturbed === undefined && !seen.isLifted
  const dueMl = weighs ? Math.round(10 * since(seen.cameMl)) / 10 : undefined

  useEffect(() => {
    if (!seen || !worked.current) return
    // What was passed over is weighed first: the bottle’s marks begin anew after it.
    if (seen.changes > changes.current && pullsUnseen(state) === undefined) {
      changes.current = seen.changes
      if ((state.run?.bottleMl ?? 0) > 0) record({ type: 'bottle-emptied' })
    }
    if (dueMl === undefined) return
    const made = scaleAct(
      state,
      { ml: dueMl, isStill: seen.isStill, begins: seen.begins },
      new Date().toISOString(),
    )
    // What was refused is not tried over and over.
    const what = made && `${made.type} ${state.length}`
    if (!made || what === tried.current) return
    tried.current = what ?? ''
    record(made)
  }, [seen, state, dueMl, record])

  /** Where the bottle was read by its marks the scale counts on from there, whatever disturbed it. */
  function act(made: FloorAct) {
    worked.current = true
    if (made.type === 'pull-seen' && !made.weighed) {
      scale.current?.settled()
      from.current = undefined
    }
    record(made)
  }

  return {
    act,
    on,
    turn(next) {
      localStorage.setItem(KEPT_AS, next ? 'yes' : 'no')
      setOn(next)
    },
    seen,
    dueMl,
    nowMl: weighs ? since(seen.nowMl) : undefined,
    isStill: seen?.isStill === true,
  }
}
