import { dueBasis, ruleWords } from '~/lib/due-words'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import type { FluidDue } from '~core/fluid/due'
import { DueStrip } from './strip'

/** When it is due and by which rule, and when each of the others would have it. */
export function DueByRule({ due, day }: { due?: FluidDue; day: string }) {
  const show = useShow()
  const say = useSay()
  if (!due)
    return (
      <Panel>
        <h2>Due</h2>
        <p>Nothing is known that would say when: test it, or write down its last exchange below.</p>
      </Panel>
    )
  return (
    <Panel>
      <h2>Due {due.likely <= day ? 'now' : `about ${showDate(due.likely)}`}</h2>
      <p className="mb-3">
        {due.earliest !== due.latest && `Between ${showDate(due.earliest)} and ${showDate(due.latest)}. `}
        Whichever rule comes first decides.
      </p>
      <ol className="grid gap-2">
        {due.each.map((each, i) => (
          <li key={each.rule} className={`border-b border-rule pb-2 ${i === 0 ? 'font-semibold' : ''}`}>
            <span className="flex flex-wrap items-baseline justify-between gap-x-4">
              <span>{ruleWords(each.rule, each.limit, show)}</span>
              <strong>{each.likely <= day ? 'now' : showDate(each.likely)}</strong>
            </span>
            <DueStrip day={day} {...each} />
            <span className="text-sm font-normal text-quiet">
              {say(each.says)}, {dueBasis[each.basis]}
              {each.fellOn !== undefined &&
                `; ${say({ code: 'due-fell', params: { onDay: showDate(each.fellOn) } })}`}
              {each.earliest !== each.latest && `: ${showDate(each.earliest)} to ${showDate(each.latest)}`}
            </span>
          </li>
        ))}
      </ol>
    </Panel>
  )
}
