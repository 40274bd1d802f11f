import { useSay } from '~/lib/say'
import type { Prompt, UnitActor } from '~core/technique/calls/unit-prompts'

const names: Record<UnitActor, string> = { tool: 'Scan tool', wheel: 'Wheel', cab: 'Cab' }

/** Three people (or one who walks) and a tool: what each does now, side by side; whose turn it is stands out. */
export function Prompts({ prompts }: { prompts: Prompt[] }) {
  const say = useSay()
  return (
    <ul className="grid gap-2 sm:grid-cols-3" aria-label="Who does what now">
      {prompts.map(({ who, does, turn }) => (
        <li key={who} className={`border-t-8 p-3 ${turn ? 'border-oxide bg-enamel' : 'border-rule'}`}>
          <p className="flex justify-between gap-2 font-extrabold">
            {names[who]} <span aria-hidden="true">{turn ? '▸ now' : 'waits'}</span>
            <span className="sr-only">{turn ? ', now' : ', waits'}</span>
          </p>
          <p className={turn ? 'text-lg' : 'text-quiet'}>{say(does)}</p>
        </li>
      ))}
    </ul>
  )
}
