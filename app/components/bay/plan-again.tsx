import { Link } from 'react-router'
import type { JobHere } from '~/run-client/job-here'
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
      <section className="panel grid gap-5">
        {refusal && <Refusal text={refusal} />}
        <StandsLine state={state} />
        <ShutPanel key={open.point} state={state} joint={open} act={act} />
      </section>
    )
  return (
    <section className="panel grid gap-5">
      {refusal && <Refusal text={refusal} />}
      <p className="text-3xl font-extrabold">This plan is at its end.</p>
      <StandsLine state={state} />
      {report && <WhatChanged report={report} loud />}
      {link === 'saved' ? (
        <Link to={`/jobs/${jobId}/plan`} className="button button-main min-h-[96px] text-2xl">
          Plan again
        </Link>
      ) : (
        <p className="text-2xl">Not saved yet: wait for the line below.</p>
      )}
    </section>
  )
}
