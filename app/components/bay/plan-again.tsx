import type { JobHere } from '~/client/job/job-here'
import { LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { Refusal } from './refusal'
import { ShutPanel } from './shut-panel'
import { StandsLine } from './stands-line'
import { WhatChanged } from './what-changed'

/** Wrong fluid that moved on, or another plan: this one is at its end. */
export function PlanAgain({ here: { state, act, link, jobId, refusal } }: { here: JobHere }) {
  const report = state.troubles.at(-1)
  const [open] = state.standing.open
  if (open)
    return (
      <Panel className="grid gap-5">
        {refusal && <Refusal text={refusal} />}
        <StandsLine state={state} />
        <ShutPanel key={open.point} state={state} joint={open} act={act} />
      </Panel>
    )
  return (
    <Panel className="grid gap-5">
      {refusal && <Refusal text={refusal} />}
      <p className="text-3xl font-extrabold">This plan is at its end.</p>
      <StandsLine state={state} />
      {report && <WhatChanged report={report} loud />}
      {link === 'saved' ? (
        <LinkButton to={`/jobs/${jobId}/plan`} main size="call">
          Plan again
        </LinkButton>
      ) : (
        <p className="text-2xl">Not saved yet: wait for the line below.</p>
      )}
    </Panel>
  )
}
