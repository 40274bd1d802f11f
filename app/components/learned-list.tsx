import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { LoneLink } from '~/ui/lone-link'
import { Panel } from '~/ui/panel'
import { againstPlan } from '~core/job/learned/against-plan'
import { isTrouble, type Learned, learnedFact } from '~core/job/learned/learned'
import type { Plan } from '~core/plan/answer'

/** What earlier jobs found out, each with its date and the job it comes from. */
export function LearnedList({ learned }: { learned: readonly Learned[] }) {
  const say = useSay()
  return (
    <ul className="grid gap-1.5">
      {learned.map((each) => (
        <li
          key={`${each.kind} ${each.bleeder}`}
          className={`grid grid-cols-[1fr_auto] items-baseline gap-3 border-b border-rule pb-1.5 ${isTrouble(each) ? 'font-bold' : ''}`}
        >
          <span className="wrap-anywhere">{say(learnedFact(each))}</span>
          <LoneLink to={`/jobs/${each.jobId}/record`} className="text-sm whitespace-nowrap">
            {showDate(each.at)}
          </LoneLink>
        </li>
      ))}
    </ul>
  )
}

/** The same as a sheet of its own, beside a plan with what it means for that; nothing where nothing was learned yet. */
export function LearnedPanel({ learned, plan }: { learned: readonly Learned[]; plan?: Plan }) {
  const say = useSay()
  if (learned.length === 0) return null
  return (
    <Panel title="What earlier jobs learned">
      <LearnedList learned={learned} />
      {(plan ? againstPlan(learned, plan) : []).map((each) => (
        <p key={say(each)} className="border-l-8 border-rule pl-3 font-semibold">
          {say(each)}
        </p>
      ))}
    </Panel>
  )
}
