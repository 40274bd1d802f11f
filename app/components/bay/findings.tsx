import { useParams } from 'react-router'
import { useAnnounce } from '~/client/heard/announce'
import type { FloorAct } from '~/client/job/use-job-run'
import { toAddress } from '~/lib/fault-address'
import { useSay } from '~/lib/say'
import { Button, LinkButton } from '~/ui/button'
import { Notice } from '~/ui/notice'
import type { Complaint } from '~core/diagnosis/complaints'
import { type Finding, findings } from '~core/job/findings'
import { currentPoint, placeUnderWork } from '~core/job/points'
import type { JobState } from '~core/job/state'
import { FlowLooks } from './flow-looks'
import { WaitClock } from './hold-clock'

/** What the screen noticed while it counted: the most urgent with what to check, the others by one line. */
export function Findings({ state, act }: { state: JobState; act: (act: FloorAct) => void }) {
  const say = useSay()
  const [first, ...others] = findings(state)
  useAnnounce({ channel: 'noticed', says: first ? say(first) : '', about: first?.code ?? '', signal: 'warn' })
  if (!first) return null
  return (
    <section aria-label="Noticed" className="-order-2 grid gap-2">
      <Notice role="status" kind="mind" className="grid gap-2">
        <p className="text-xl font-bold">
          <span aria-hidden="true">! </span>
          {say(first)}
        </p>
        {first.waitS !== undefined && <WaitClock startedAt={first.since} waitS={first.waitS} />}
        <Checks finding={first} />
        {first.looksInTurn && <Looks state={state} act={act} />}
        {first.leads && <FindTheFault state={state} complaint={first.leads} told={first.told} />}
        {first.mends && <Mend mends={first.mends} act={act} />}
      </Notice>
      {others.map((each) =>
        each.checks.length === 0 ? (
          <p key={each.code} className="border-l-8 border-rule pl-3 font-semibold">
            {say(each)}
          </p>
        ) : (
          <details key={each.code} className="border-l-8 border-rule pl-3">
            <summary className="font-semibold">{say(each)}</summary>
            <ul className="grid list-disc gap-1 pl-5">
              {each.checks.map((check) => (
                <li key={check.code}>{say(check)}</li>
              ))}
            </ul>
          </details>
        ),
      )}
    </section>
  )
}

/** The search for its cause, on the job; a practice has none. */
function FindTheFault({
  state,
  complaint,
  told = [],
}: {
  state: JobState
  complaint: Complaint
  told?: Finding['told']
}) {
  const { jobId } = useParams()
  if (jobId === undefined) return null
  const address = toAddress({ complaint, found: [...told], tried: [] })
  return (
    <LinkButton to={`/jobs/${jobId}/find?${address}&seen=${state.faultFinding?.answers ?? 0}`} size="glove">
      Find the fault
    </LinkButton>
  )
}

/** The looks for where it stops, at the place under work. */
function Looks({ state, act }: { state: JobState; act: (act: FloorAct) => void }) {
  const point = state.run && currentPoint(state.run)
  const { jobId } = useParams()
  // On a vehicle for practice nobody can crack a nut.
  if (!state.run || point === undefined || jobId === undefined) return null
  return (
    <FlowLooks
      vehicle={state.vehicle}
      point={point}
      looked={placeUnderWork(state.run)?.flowLooked}
      act={act}
    />
  )
}

function Mend({ mends, act }: { mends: NonNullable<Finding['mends']>; act: (act: FloorAct) => void }) {
  const say = useSay()
  return (
    <Button size="glove" className="text-lg" onClick={() => act(mends.act)}>
      {say(mends.says)}
    </Button>
  )
}

function Checks({ finding: { code, checks } }: { finding: Finding }) {
  const say = useSay()
  if (checks.length === 0) return null
  const [only] = checks
  if (checks.length === 1 && only) return <p>{say(only)}</p>
  return (
    <details key={code}>
      <summary className="font-bold">What to check: {checks.length}</summary>
      <ol className="grid list-decimal gap-1 pl-5 text-lg">
        {checks.map((check) => (
          <li key={check.code}>{say(check)}</li>
        ))}
      </ol>
    </details>
  )
}
