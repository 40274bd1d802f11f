import { Link, redirect } from 'react-router'
import { useJobHere } from '~/client/job/job-here'
import { JointsList } from '~/components/bay/joints-list'
import { LinkLine } from '~/components/bay/link-line'
import { OffDialog } from '~/components/bay/off-list'
import { ParkDialog } from '~/components/bay/park-dialog'
import { TroubleDialog } from '~/components/bay/trouble-dialog'
import { UndoButton } from '~/components/bay/undo-button'
import { WhatChanged } from '~/components/bay/what-changed'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import type { Station } from '~/routes/job/station'
import { ActionBar } from '~/ui/action-bar'
import { LinkButton } from '~/ui/button'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { notAtMax } from '~core/job/levels'
import { stillOff } from '~core/job/off-things'
import { checksFor, proofFact, provedFirst } from '~core/job/proofs/checks'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { unitsNotSound } from '~core/job/unit-ledger'
import { wheelsOff } from '~core/plan/wheels-off'
import { partsOf } from '~core/vehicle/parts'
import { jobOnPage } from '~server/http/job-on-page.server'
import type { Route } from './+types/prove'
import { CheckRow } from './check-row'
import { PlacesList } from './places-list'
import { WaysOn } from './ways-on'

export const handle: Station = { atVehicle: true }

export async function loader({ params, context }: Route.LoaderArgs) {
  const state = await jobOnPage(context, params.jobId)
  if (!state.run || !bleedDone(state)) throw redirect(`/jobs/${params.jobId}`)
  return null
}

export default function ProvePage() {
  const { state, act, link, refusal, jobId, keeps, keeping, waiting } = useJobHere()
  const say = useSay()
  const { run } = state
  const checks = checksFor(state)
  const proved = checks.filter((check) => state.proofs[check.id]?.passed).length
  const failed = checks.filter((check) => state.proofs[check.id]?.passed === false)
  // The last fill is asked for once: where the next check says that the level is right.
  const fillsAt = checks.find(({ id, atMax }) => atMax && !state.proofs[id]?.passed)
  const locked = state.filed !== undefined
  const report = state.troubles.at(-1)
  const back = run !== undefined && !bleedDone(state)
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[3fr_1fr]">
      <title>{`${state.plate}: Prove · Ruddy Siphon`}</title>
      <Panel>
        <h1 className="mb-4 text-2xl">Prove it: a firm pedal, measured</h1>
        <ol className="grid gap-3">
          {checks.map((check, i) => (
            <CheckRow
              key={check.id}
              number={i + 1}
              check={check}
              proof={state.proofs[check.id]}
              startedAt={run?.timers[check.id]}
              act={act}
              locked={locked || back}
              off={check.id === fillsAt?.id ? notAtMax(state) : []}
              vehicle={state.vehicle}
              first={provedFirst(state, check)}
              more={
                <>
                  {check.joints && <JointsList state={state} act={act} locked={locked || back} />}
                  {check.wheelNuts && <WheelsThatWereOff state={state} />}
                  {check.units && !state.proofs[check.id]?.passed && (
                    <UnitLine state={state} jobId={jobId} driven={check.units === 'driven'} />
                  )}
                  {check.places &&
                    !state.proofs[check.id]?.passed &&
                    provedFirst(state, check).length === 0 && (
                      <PlacesList check={check} state={state} act={act} locked={locked || back} />
                    )}
                </>
              }
            />
          ))}
        </ol>
      </Panel>
      <Panel as="aside" className="grid gap-4 lg:sticky lg:top-4">
        <p className="text-4xl font-extrabold">
          {proved} <span className="text-xl font-semibold">of {checks.length} proved</span>
        </p>
        {refusal && (
          <p role="alert" className="fault">
            {refusal}
          </p>
        )}
        {back && (
          <Notice kind="mind" className="grid gap-3">
            {report ? <WhatChanged report={report} /> : null}
            <p className="font-bold">The job is back at the bleed.</p>
            <ActionBar className="action-bar-narrow">
              <LinkButton to={`/jobs/${jobId}/bleed`} main size="finger">
                To the bleed
              </LinkButton>
            </ActionBar>
          </Notice>
        )}
        {failed.length > 0 && !back && (
          <Notice kind="stop" className="grid gap-3">
            <p className="font-bold">
              Failed: {failed.map(({ id }) => say(proofFact(id))).join(', ')}. It does not leave.
            </p>
            {!locked && <WaysOn jobId={jobId} state={state} failed={failed} act={act} />}
          </Notice>
        )}
        {locked ? (
          <LinkButton to={`/jobs/${jobId}/record`}>The record</LinkButton>
        ) : proved === checks.length && link === 'saved' && !back && stillOff(state).length === 0 ? (
          <ActionBar className="action-bar-narrow">
            <LinkButton to={`/jobs/${jobId}/file`} main>
              All proved: go on to file it
            </LinkButton>
          </ActionBar>
        ) : (
          <LinkButton to={`/jobs/${jobId}/file`}>File it as not fit to drive</LinkButton>
        )}
        {!locked && run && (
          <>
            <LinkButton to={`/jobs/${jobId}/pedal`}>Pedal before and after</LinkButton>
            <OffDialog state={state} act={act} />
            <TroubleDialog state={state} run={run} act={act} />
            <ParkDialog state={state} act={act} />
            <UndoButton state={state} act={act} />
          </>
        )}
        <p className="text-sm text-quiet">
          <LinkLine link={link} jobId={jobId} keeps={keeps} keeping={keeping} waiting={waiting} />
        </p>
      </Panel>
    </div>
  )
}

/** What the control unit still says that must not be, and where it is read. */
function UnitLine({ state, jobId, driven }: { state: JobState; jobId: string; driven: boolean }) {
  const say = useSay()
  const wrong = unitsNotSound(state, driven ? state.proofs['road-test']?.at : undefined)
  return (
    <p>
      {wrong && <strong className="block">{say(wrong)}</strong>}
      <Link to={`/jobs/${jobId}/unit`} className="inline-flex min-h-12 items-center">
        Control unit: numbers, codes
      </Link>
    </p>
  )
}

/** Which wheels the nuts are of. */
function WheelsThatWereOff({ state: { vehicle, checkIn } }: { state: JobState }) {
  const say = useSay()
  const off = wheelsOff(vehicle, checkIn?.work ?? {})
  const brakes = partsOf(vehicle, 'wheel-brake').filter(({ id }) => off.includes(id))
  return (
    <p className="font-bold">{brakes.map(({ position }) => upperFirst(say(fact(position)))).join(', ')}</p>
  )
}
