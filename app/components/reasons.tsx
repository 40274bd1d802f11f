import { useSay } from '~/lib/say'
import type { Basis, Reason } from '~core/base/decision'

export const basisNames: Record<Basis, string> = {
  standard: 'standard',
  physics: 'physics',
  maker: 'maker',
  practice: 'common practice',
  default: 'shop default',
}

/** Reasons as a list, each with what it rests on. */
export function Reasons({ reasons }: { reasons: readonly Reason[] }) {
  const say = useSay()
  return (
    <ul className="grid gap-1.5">
      {reasons.map((reason) => (
        <li
          key={JSON.stringify(reason)}
          className="grid grid-cols-[1fr_auto] items-baseline gap-3 border-b border-rule pb-1.5"
        >
          <span>{say(reason)}</span>
          <span className="text-sm whitespace-nowrap text-quiet italic">{basisNames[reason.basis]}</span>
        </li>
      ))}
    </ul>
  )
}
