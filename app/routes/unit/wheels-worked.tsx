import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import { type UnitReading, wheelsWorked } from '~core/job/unit-ledger'
import type { Position } from '~core/vehicle/schema'
import { useTool } from './read-tool'

type Worked = NonNullable<UnitReading['worked']>
type Props = { positions: readonly Position[]; worked: Worked; onChange: (worked: Worked) => void }

const names: Record<(typeof wheelsWorked)[number], string> = {
  own: 'Let go: it turned',
  other: 'Another wheel turned',
  none: 'Nothing happened',
}

/** The tool works the valves of one wheel while somebody presses and another turns that wheel by hand. */
export function WheelsWorked({ positions, worked, onChange }: Props) {
  const say = useSay()
  const { says, busy, ask } = useTool()
  return (
    <details>
      <summary className="font-bold">Each wheel by its own valves (may be left out)</summary>
      <p className="mb-2">
        Wheels off the ground, nobody near them but the hand that tries. Press firmly, let the tool work one
        wheel’s valves, and turn that wheel by hand: it goes free, and no other.
      </p>
      <div className="grid gap-2">
        {positions.map((position) => {
          const name = upperFirst(say(fact(position)))
          return (
            <div key={position} className="grid items-end gap-2 sm:grid-cols-2">
              <Button
                disabled={busy}
                onClick={() =>
                  void ask(
                    { ask: 'actuate', what: position },
                    () => `${name}: worked. What did the wheel do?`,
                  )
                }
              >
                Work {name.toLowerCase()}
              </Button>
              <label className="grid gap-1">
                <span className="sr-only">{name}, worked by the tool</span>
                <select
                  className="input"
                  value={worked[position] ?? ''}
                  onChange={({ target: { value } }) => {
                    const { [position]: _before, ...others } = worked
                    const did = wheelsWorked.find((each) => each === value)
                    onChange(did ? { ...others, [position]: did } : others)
                  }}
                >
                  <option value="">Not tried</option>
                  {wheelsWorked.map((each) => (
                    <option key={each} value={each}>
                      {names[each]}
                    </option>
                  ))}
                </select>
              </label>
            </div>
          )
        })}
      </div>
      {says && <p role="status">{says}</p>}
    </details>
  )
}
