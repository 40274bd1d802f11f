import { useCallback, useState } from 'react'
import { newId } from '~/lib/ids'
import { useSay } from '~/lib/say'
import type { Fact } from '~core/base/decision'
import { applyEvent } from '~core/job/apply'
import type { FloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'
import type { FloorAct } from './job-client'

/** A job that lives in this page alone: the same rules, and nothing kept or sent anywhere. */
export function usePractice(beginning: JobState): {
  state: JobState
  refusal?: string
  act: (act: FloorAct) => void
} {
  const [{ state, refusal }, setJob] = useState<{ state: JobState; refusal?: Fact }>({ state: beginning })
  const say = useSay()
  const act = useCallback(
    (made: FloorAct) =>
      setJob((before) => {
        const event = { ...made, id: newId(), at: new Date().toISOString() } as FloorEvent
        const applied = applyEvent(before.state, event)
        return applied.ok ? { state: applied.state } : { state: before.state, refusal: applied.refusal }
      }),
    [],
  )
  return { state, refusal: refusal && say(refusal), act }
}
