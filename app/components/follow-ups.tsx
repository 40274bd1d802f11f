import { Form } from 'react-router'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { type FollowUp, followUpFact } from '~core/job/follow-ups'

/** What is looked at again after it has left: what was not looked at yet is asked, what was says what came of it. */
export function FollowUps({ all, today }: { all: readonly FollowUp[]; today: string }) {
  const say = useSay()
  if (all.length === 0) return null
  return (
    <Panel id="follow-ups" title="To look at again" className="mt-4 grid gap-3 print:hidden">
      <ul className="grid gap-4">
        {all.map(({ id, dueOn, good }) => (
          <li key={id} className="grid gap-2 border-b border-rule pb-3">
            <div className="flex flex-wrap items-baseline justify-between gap-x-4">
              <strong className="text-lg">{say(followUpFact(id))}</strong>
              <span>{good === undefined ? whenDue(dueOn, today) : good ? '✓ Good' : '✗ Not good'}</span>
            </div>
            {good === undefined && (
              <Form method="post" className="flex flex-wrap items-end gap-3">
                <input type="hidden" name="followUp" value={id} />
                <p className="basis-full">{say(fact(`follow-up-${id}-how`))}</p>
                <label className="grid flex-1 gap-1">
                  <span className="field-label">What was seen</span>
                  <input name="text" className="input" maxLength={1500} />
                </label>
                <Button type="submit" name="intent" value="good" size="finger">
                  Good
                </Button>
                <Button type="submit" name="intent" value="bad" size="finger">
                  Not good: it comes back
                </Button>
              </Form>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  )
}

const whenDue = (dueOn: string, today: string): string =>
  dueOn <= today ? `● due since ${showDate(dueOn)}` : `on ${showDate(dueOn)}`
