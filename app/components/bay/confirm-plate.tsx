import type { JobHere } from '~/client/job/job-here'
import { LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { GoOn } from './big-line'
import { Refusal } from './refusal'

/** Before anything is opened: the plate, large, against the vehicle that stands there. */
export function ConfirmPlate({ here: { state, act, refusal, jobId } }: { here: JobHere }) {
  return (
    <Panel className="grid grid-cols-1 gap-6 text-center">
      {refusal && <Refusal text={refusal} />}
      <p className="text-2xl font-bold">Is this the vehicle in front of you?</p>
      <p>
        <span className="plate text-4xl leading-tight sm:text-7xl">{state.plate}</span>
      </p>
      <p className="text-xl wrap-anywhere">
        {state.vehicle.name}
        {state.checkIn?.bay && `, ${state.checkIn.bay}`}
      </p>
      <GoOn onClick={() => act({ type: 'plate-confirmed' })}>Yes, the plate is the same</GoOn>
      <div className="grid grid-cols-2 gap-3">
        <LinkButton to={`/jobs/${jobId}/move`} size="glove">
          No: this job is another vehicle’s
        </LinkButton>
        <LinkButton to="/" size="glove">
          Back to the yard
        </LinkButton>
      </div>
    </Panel>
  )
}
