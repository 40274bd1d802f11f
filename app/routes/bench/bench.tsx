import { useSay } from '~/lib/say'
import { LinkButton } from '~/ui/button'
import { PanelLink } from '~/ui/panel'
import { benchPages } from '~core/calculators'
import { pageFact, questionFact } from '~core/calculators/page'
import { BenchSketch } from './sketch'

/** The calculators, each as the question it answers. */
export default function Bench() {
  const say = useSay()
  return (
    <div className="grid gap-5">
      <title>Bench · Ruddy Siphon</title>
      <h1 className="text-2xl">Bench</h1>
      <p className="max-w-[70ch] text-quiet">
        One sum at a time, with its picture. Nothing here is recorded, until it is carried into a job.
      </p>
      <p>
        <LinkButton to="/practice" className="inline-flex">
          Practise the call on a made-up vehicle
        </LinkButton>
      </p>
      <ul className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {benchPages.map(({ id }) => (
          <li key={id} className="contents">
            <PanelLink to={`/bench/${id}`} className="grid grid-cols-[6rem_1fr] items-center gap-4">
              <BenchSketch id={id} />
              <span>
                <span className="block text-lg font-extrabold">{say(pageFact(id))}</span>
                <span className="text-quiet">{say(questionFact(id))}</span>
              </span>
            </PanelLink>
          </li>
        ))}
      </ul>
    </div>
  )
}
