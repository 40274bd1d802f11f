import { useState } from 'react'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'

/** A look done one step after the other: the one that is on is large. */
export function LedSteps({ check, count }: { check: string; count: number }) {
  const say = useSay()
  const [on, setOn] = useState(0)
  const last = on === count - 1
  return (
    <div className="grid gap-3">
      <ol className="grid gap-1">
        {[...Array(count).keys()].map((i) => (
          <li
            key={i}
            aria-current={i === on ? 'step' : undefined}
            className={`flex gap-3 border-l-8 py-1 pl-3 ${i === on ? 'border-oxide text-xl font-bold' : 'border-rule'}`}
          >
            <span className="tabular-nums" aria-hidden="true">
              {i < on ? '✓' : i + 1}
            </span>
            <span>{say(fact(`check-${check}-${i + 1}`))}</span>
          </li>
        ))}
      </ol>
      <div className="flex gap-3">
        <Button size="finger" disabled={on === 0} onClick={() => setOn(on - 1)}>
          Back a step
        </Button>
        <Button size="finger" className="flex-1" disabled={last} onClick={() => setOn(on + 1)}>
          {last ? 'Say what it shows below' : 'Next step'}
        </Button>
      </div>
    </div>
  )
}
