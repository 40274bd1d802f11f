import { type ReactNode, useState } from 'react'
import { LineMap } from '~/components/line-map/line-map'
import { Reasons } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { type Complaint, complaintIds, isGrounding, isOfClutch } from '~core/diagnosis/complaints'
import type { Case } from '~core/diagnosis/request'
import { traitsOf } from '~core/diagnosis/traits'
import type { FaultFinding } from '~core/job/events/fault-looked'
import type { DeclinedLine } from '~core/job/events/line-declined'
import type { Vehicle } from '~core/vehicle/schema'
import { CauseBars } from './cause-bars'
import { ComplaintSketch } from './complaint-sketch'
import { FoundSoFar } from './found-so-far'
import { NextStep } from './next-step'
import { OtherSteps } from './other-steps'
import { useDiagnosis } from './use-diagnosis'
import { WhatFollows } from './what-follows'

type Props = {
  /** Left out until somebody says what the vehicle does. */
  of: Case | undefined
  /** The cause that it was in the end. */
  was?: string
  /** Why what was asked cannot be. */
  fault?: string
  vehicle?: Vehicle
  locked?: boolean
  jobId?: string
  /** Whether what is to be done can still be planned on this job. */
  plannable?: boolean
  /** What of its estimate the customer declined. */
  declined?: readonly DeclinedLine[]
  onFinding: (next: FaultFinding) => void
  /** It does something else: the search begins anew. */
  onAnew: () => void
  aside?: ReactNode
}

/** One question at a time, and what it may be by now beside it. */
export function FaultFinder({
  of,
  was,
  fault,
  vehicle,
  locked = false,
  jobId,
  plannable = false,
  declined = [],
  onFinding,
  onAnew,
  aside,
}: Props) {
  const say = useSay()
  const { answer, stale, failed } = useDiagnosis(of)
  const diagnosis = answer?.ok ? answer.diagnosis : undefined
  const [chosen, setChosen] = useState<{ asked: string; id: string }>()
  const asked = JSON.stringify(of?.found)
  if (!of)
    return (
      <Complaints
        vehicle={vehicle}
        fault={fault}
        aside={aside}
        onPick={(complaint) => onFinding({ complaint, found: [], tried: [] })}
      />
    )
  const finding: FaultFinding = { complaint: of.complaint, found: of.found, tried: of.tried, was }
  const { next = [], causes = [] } = diagnosis ?? {}
  const step = next.find(({ id }) => chosen?.asked === asked && chosen.id === id) ?? next[0]
  const picked = causes.slice(0, 1).flatMap(({ at }) => at ?? [])
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="grid gap-5" aria-busy={stale}>
        {fault && (
          <p role="alert" className="fault">
            {fault}
          </p>
        )}
        {failed && (
          <h1 className="fault text-2xl">
            This browser could not work it out. Open the page in another one.
          </h1>
        )}
        {answer?.ok === false && (
          <h1 className="fault text-2xl">
            Nothing that is known fits all of this: take back what is least sure.
          </h1>
        )}
        {isGrounding(of.complaint) && was === undefined && (
          <Notice kind="mind" className="font-bold">
            {say(fact('stays-here'))}
          </Notice>
        )}
        {!answer && !failed && (
          <Panel as="h1" className="text-2xl">
            It is being worked out…
          </Panel>
        )}
        {diagnosis && step && was === undefined && (
          <NextStep
            // Another question begins anew, with no place picked.
            key={`${step.kind} ${step.id}`}
            step={step}
            advised={step === next[0]}
            of={of}
            vehicle={vehicle}
            locked={locked || stale}
            jobId={jobId}
            at={causes.find(({ id }) => id === step.id)?.at}
            onFinding={onFinding}
          />
        )}
        {diagnosis && (
          <WhatFollows
            diagnosis={diagnosis}
            estimate={answer?.ok ? answer.estimate : undefined}
            declined={declined}
            locked={locked}
            was={was}
            step={step}
            jobId={jobId}
            plannable={plannable}
          />
        )}
        {diagnosis && next.length > 1 && was === undefined && (
          <OtherSteps
            next={next.filter((each) => each !== step)}
            onChoose={(id) => setChosen({ asked, id })}
          />
        )}
        {diagnosis && (
          <Panel>
            <h2>Why</h2>
            <Reasons reasons={diagnosis.reasons} />
          </Panel>
        )}
      </div>
      <div className="grid gap-5">
        <CauseBars causes={causes} />
        <FoundSoFar finding={finding} locked={locked} onFinding={onFinding} onAnew={onAnew} />
        {vehicle && (
          <Panel>
            <h2>Where</h2>
            <LineMap vehicle={vehicle} picked={picked} plain />
          </Panel>
        )}
        {aside && <Panel>{aside}</Panel>}
      </div>
    </div>
  )
}

function Complaints({
  vehicle,
  fault,
  aside,
  onPick,
}: {
  vehicle?: Vehicle
  fault?: string
  aside?: ReactNode
  onPick: (complaint: Complaint) => void
}) {
  const say = useSay()
  const ids = complaintIds.filter((id) => !isOfClutch(id) || traitsOf(vehicle).clutch)
  return (
    <div className="grid gap-5">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-2xl">What does it do?</h1>
        {aside}
      </div>
      {fault && (
        <p role="alert" className="fault">
          {fault}
        </p>
      )}
      <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {ids.map((id) => (
          <li key={id} className="contents">
            <button
              type="button"
              onClick={() => onPick(id)}
              className="flex min-h-[88px] cursor-pointer items-center gap-4 border-2 border-ink bg-enamel px-4 text-left text-xl font-bold hover:bg-oxide-wash"
            >
              <ComplaintSketch id={id} />
              {say(fact(`complaint-${id}`))}
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}
