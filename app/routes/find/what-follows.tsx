import { useSay } from '~/lib/say'
import { LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { Diagnosis, Next } from '~core/diagnosis/answer'
import type { Estimate as Estimated } from '~core/diagnosis/estimate'
import type { DeclinedLine } from '~core/job/events/line-declined'
import { Estimate } from './estimate'
import { money } from './figures'

type Props = {
  diagnosis: Diagnosis
  /** What mending the likeliest costs. */
  estimate?: Estimated
  declined: readonly DeclinedLine[]
  locked: boolean
  was?: string
  step?: Next
  jobId?: string
  plannable: boolean
}

/** What it comes to, looked at first or not, and the work that follows once it is sure enough. */
export function WhatFollows({ diagnosis, estimate, declined, locked, was, step, jobId, plannable }: Props) {
  const say = useSay()
  const { expectedCost, expectedCostUnlooked, work, causes } = diagnosis
  const named = was ?? diagnosis.named
  const [likeliest] = causes
  if (named)
    return (
      <Panel className="grid gap-2">
        <h1 className="text-3xl">That was it: {say(fact(`cause-${named}`))}</h1>
        <p>It is proved like every other repair before it leaves.</p>
        {jobId && (
          <LinkButton to={`/jobs/${jobId}`} main className="justify-self-start">
            Back to the job
          </LinkButton>
        )}
      </Panel>
    )
  const saves = (expectedCostUnlooked ?? 0) - expectedCost
  return (
    <Panel className="grid gap-3">
      {saves >= 1 ? (
        <p>
          Going on like this costs about <strong>{money(expectedCost)}</strong> on average; mending the
          likeliest at once, one thing after the other, {money(expectedCostUnlooked ?? 0)}.
        </p>
      ) : (
        <p>
          From here it costs about <strong>{money(expectedCost)}</strong> on average.
        </p>
      )}
      {estimate && <Estimate estimate={estimate} jobId={jobId} declined={declined} locked={locked} />}
      {work && likeliest && jobId && plannable && (
        <div>
          <LinkButton
            main={step?.kind === 'repair'}
            size="finger"
            to={`/jobs/${jobId}/check-in?${new URLSearchParams([
              ['reason', work.reason],
              ...work.opened.map((id): [string, string] => ['opened', id]),
              ...work.replaced.map((id): [string, string] => ['replaced', id]),
            ])}`}
          >
            Plan the work for it: {say(fact(`cause-${likeliest.id}`))}
          </LinkButton>
        </div>
      )}
    </Panel>
  )
}
