import { Form, useNavigation } from 'react-router'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import type { Plan } from '~core/plan/answer'
import { isByHand } from '~core/plan/by-hand'
import { useChanges } from './changes'
import { TAKE_PLAN_FORM } from './order'

/** Takes the plan as it stands on the page, with why where another way than the usual one was chosen. */
export function TakePlan(props: { plan: Plan; eventId: string; refusal?: string; wayFault?: string }) {
  const { plan, eventId, refusal, wayFault } = props
  const [search] = useChanges()
  // While another page is on its way, this plan is not taken twice.
  const onItsWay = useNavigation().state !== 'idle'
  return (
    <Form method="post" action={`?${search}`} id={TAKE_PLAN_FORM} className="grid gap-2">
      <input type="hidden" name="eventId" value={eventId} />
      {refusal && (
        <p role="alert" className="fault">
          {refusal}
        </p>
      )}
      {isByHand(plan) && (
        <label className="grid gap-1">
          <span className="font-bold">Why this way? It stays in the record</span>
          <textarea
            name="wayWhy"
            className="input"
            rows={2}
            maxLength={500}
            aria-invalid={wayFault !== undefined}
            aria-describedby={wayFault ? 'way-fault' : undefined}
          />
        </label>
      )}
      {wayFault && (
        <p id="way-fault" role="alert" className="fault">
          {wayFault}
        </p>
      )}
      <ActionBar className="action-bar-narrow">
        <Button type="submit" main className="text-lg" disabled={onItsWay}>
          Take this plan and begin
        </Button>
      </ActionBar>
    </Form>
  )
}
