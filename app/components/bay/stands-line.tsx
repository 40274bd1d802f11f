import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { allOpen, standingFacts } from '~core/job/standing'
import type { JobState } from '~core/job/state'

/** What stands on the vehicle, in sentences; the same in the bay, on the parked screen and on the tag. */
export function useStanding(state: JobState): string[] {
  const say = useSay()
  return standingFacts(state).map((each) => {
    const text = say(each)
    // A joint is called as it is called.
    return each.params?.point === undefined ? upperFirst(text) : text
  })
}

/** What stands open, set up or broken, in one line that is always there. */
export function StandsLine({ state }: { state: JobState }) {
  const stands = useStanding(state)
  const open = allOpen(state).length > 0
  return (
    <p
      className={
        stands.length === 0
          ? 'text-quiet'
          : `border-l-8 pl-3 font-bold ${open ? 'border-oxide' : 'border-rule'}`
      }
    >
      <span className="font-normal text-quiet">Stands: </span>
      {stands.length === 0 ? 'nothing open, nothing set up' : stands.join(' · ')}
    </p>
  )
}
