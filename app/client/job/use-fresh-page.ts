import { useEffect, useSyncExternalStore } from 'react'
import type { JobSnapshot } from './job-client'
import { onOtherBuild, otherBuild } from './other-build'

const LOOK_MS = 1000

/**
 * The program was renewed under this page: it loads anew, but only when nothing is under way and nothing is lost by it.
 *
 * @returns whether it waits to
 */
export function useFreshPage({
  state,
  waiting,
  keeps,
  keeping,
}: Pick<JobSnapshot, 'state' | 'waiting' | 'keeps' | 'keeping'>): boolean {
  const build = useSyncExternalStore(onOtherBuild, otherBuild, () => undefined)
  const atRest = (state.run === undefined || state.run.call === 'rest') && state.standing.open.length === 0
  const losesNothing = waiting === 0 || (keeps && !keeping)
  useEffect(() => {
    if (build === undefined || !atRest || !losesNothing) return
    const timer = setInterval(() => {
      if (isTyping() || triedFor(build)) return
      sessionStorage.setItem(TRIED, build)
      location.reload()
    }, LOOK_MS)
    return () => clearInterval(timer)
  }, [build, atRest, losesNothing])
  return build !== undefined
}

const TRIED = 'loaded anew for'
/** Something between may answer with an old page: one try for each build. */
const triedFor = (build: string): boolean => sessionStorage.getItem(TRIED) === build
/** Somebody is at a field, or has a dialog before them. */
const isTyping = (): boolean =>
  document.activeElement?.matches('input, textarea, select, [role=dialog], [role=dialog] *') ?? false
