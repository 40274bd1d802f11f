import { Link } from 'react-router'
import { stageNames } from '~/components/stage-names'
import { useSay } from '~/lib/say'
import { Panel } from '~/ui/panel'
import type { Plan } from '~core/plan/answer'

/** What is to be settled before anything else: no figure stands beside it. */
export function Stops({ plan }: { plan: Plan }) {
  const say = useSay()
  return (
    <section className="hatched-edge grid gap-3 border-4 border-oxide bg-sheet p-5 pl-8">
      <h2 className="text-3xl">Stop: settle this first</h2>
      <ul className="grid gap-2 text-lg font-bold">
        {plan.stops.map((stop) => (
          <li key={stop.code}>{say(stop)}</li>
        ))}
      </ul>
      <p>
        No fluid is moved until then. <Link to="../check-in">Correct the check-in</Link> or{' '}
        <Link to="/settings">what the shop can do</Link>.
      </p>
    </section>
  )
}

/** What can hurt somebody, and at which step. */
export function Cautions({ plan }: { plan: Plan }) {
  const say = useSay()
  return (
    <Panel title="Cautions">
      <ul className="grid gap-1.5">
        {plan.cautions.map(({ at, ...caution }) => (
          <li
            key={caution.code}
            className="grid grid-cols-[1fr_auto] items-baseline gap-3 border-b border-rule pb-1.5"
          >
            <span>{say(caution)}</span>
            <span className="text-sm whitespace-nowrap text-quiet italic">
              {at ? stageNames[at].toLowerCase() : 'always'}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  )
}
