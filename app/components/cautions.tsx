import { useSay } from '~/lib/say'
import { fact } from '~core/base/decision'

/** What can hurt here, at the step itself. */
export function Cautions({ codes = [] }: { codes?: readonly string[] }) {
  const say = useSay()
  if (codes.length === 0) return null
  return (
    <ul className="grid gap-1 border-l-8 border-oxide bg-oxide-wash p-3 font-semibold">
      {codes.map((code) => (
        <li key={code}>{say(fact(`care-${code}`))}</li>
      ))}
    </ul>
  )
}
