import { useSay } from '~/lib/say'
import { fact } from '~core/base/decision'

/** What a result rests on: opened by whoever wants to know, and always there in print. */
export function About({ about }: { about: readonly string[] }) {
  const say = useSay()
  return (
    <details className="printed">
      <summary className="py-2 font-bold">Formula, source, and where it holds</summary>
      {about.map((id) => (
        <dl key={id} className="mb-3 grid gap-x-4 gap-y-1 border-t border-rule pt-3 sm:grid-cols-[6rem_1fr]">
          <dt className="font-bold">Formula</dt>
          <dd>{say(fact(`about-${id}-formula`))}</dd>
          <dt className="font-bold">Source</dt>
          <dd>{say(fact(`about-${id}-source`))}</dd>
          <dt className="font-bold">Holds</dt>
          <dd>{say(fact(`about-${id}-limits`))}</dd>
        </dl>
      ))}
    </details>
  )
}
