import { Link, useRouteLoaderData } from 'react-router'
import { HeardButtons } from '~/client/heard/heard-buttons'
import type { JobHere } from '~/client/job/job-here'
import type { loader as rootLoader } from '~/root'
import { jointsOf } from '~core/job/joints'
import { BayDialog } from './bay-dialog'
import { JointsList } from './joints-list'
import { KeysDialog } from './keys-dialog'
import { LinkLine } from './link-line'
import { OffDialog } from './off-list'
import { ParkDialog } from './park-dialog'
import { TroubleDialog } from './trouble-dialog'
import { UndoButton } from './undo-button'

/** What is always at hand under the work: the ways out, whether it is saved, and who is at it. */
export function Foot({ here: { state, act, link, jobId, keeps, keeping, waiting } }: { here: JobHere }) {
  const person = useRouteLoaderData<typeof rootLoader>('root')?.person
  const { run } = state
  const joints = jointsOf(state).length
  const working = run?.plateConfirmed === true && !state.filed
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        {working && <TroubleDialog state={state} run={run} act={act} />}
        <UndoButton state={state} act={act} />
        {!state.filed && <ParkDialog state={state} act={act} />}
        <KeysDialog />
        {working && <OffDialog state={state} act={act} />}
        {working && joints > 0 && (
          <BayDialog trigger={`Joints: ${joints}`} title="Joints that were opened" wide>
            {() => <JointsList state={state} act={act} />}
          </BayDialog>
        )}
      </div>
      <HeardButtons />
      <p className="flex flex-wrap justify-between gap-x-4 gap-y-1 text-quiet">
        <LinkLine link={link} jobId={jobId} keeps={keeps} keeping={keeping} waiting={waiting} />
        <span>
          {person?.name} ·{' '}
          <Link to={`/who?to=${encodeURIComponent(`/jobs/${jobId}/bleed`)}`} reloadDocument>
            somebody else goes on
          </Link>{' '}
          · <Link to="/">yard</Link>
        </span>
      </p>
    </div>
  )
}
