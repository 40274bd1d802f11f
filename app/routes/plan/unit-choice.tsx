import { useMemo } from 'react'
import { showMinutes, upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { closedMlIn } from '~core/plan/amounts'
import { type Plan, planMinutes } from '~core/plan/answer'
import { makePlan } from '~core/plan/plan'
import { type PlanRequest, unitReasons } from '~core/plan/request'
import { unitsToChoose } from '~core/plan/units'
import { useChanges } from './changes'

/**
 * A unit that nobody opened: worked too or not, what that costs, and what stays in its closed branches without it. Never
 * asked where it must be worked, nor where it offers nothing.
 */
export function UnitChoice({ request, plan }: { request: PlanRequest; plan: Plan }) {
  const units = unitsToChoose(request)
  if (units.length === 0 || plan.verdict === 'stop') return null
  return (
    <Choice request={request} plan={plan} closedMl={units.reduce((sum, unit) => sum + closedMlIn(unit), 0)} />
  )
}

function Choice({ request, plan, closedMl }: { request: PlanRequest; plan: Plan; closedMl: number }) {
  const [, change] = useChanges()
  const say = useSay()
  const show = useShow()
  const { workUnit } = request.work
  const other = useMemo(
    () => makePlan({ ...request, work: { ...request.work, workUnit: workUnit ? undefined : 'maker' } }),
    [request, workUnit],
  )
  if (other.verdict === 'stop') return null
  const [without, worked] = workUnit ? [other, plan] : [plan, other]
  const moreMl = worked.fluid.totalMl - without.fluid.totalMl
  const moreMinutes = planMinutes(worked) - planMinutes(without)
  return (
    <Panel title="Its control unit" className="grid gap-2">
      <p>
        Worked too it takes {show('volume', moreMl)} and {showMinutes(moreMinutes)} min more. Without that its
        closed branches keep about {show('volume', closedMl)} as they are: nobody feels old fluid there; air
        there is felt once it has worked.
      </p>
      <label className="grid gap-1">
        <span className="field-label">Work it too?</span>
        <select
          className="input"
          value={workUnit ?? ''}
          onChange={({ target: { value } }) =>
            change((now) => {
              const next = new URLSearchParams(now)
              if (value === '') next.delete('unit')
              else next.set('unit', value)
              return next
            })
          }
        >
          <option value="">No, it stays as it is</option>
          {unitReasons.map((why) => (
            <option key={why} value={why}>
              Yes: {upperFirst(say(fact(`work-unit-${why}`)))}
            </option>
          ))}
        </select>
      </label>
    </Panel>
  )
}
