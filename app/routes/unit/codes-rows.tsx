import { Button } from '~/ui/button'
import { codeStates, type UnitCode } from '~core/job/unit-ledger'

export const stateNames: Record<UnitCode['is'], string> = {
  present: 'is there now',
  stored: 'stored, not there now',
  returned: 'cleared, and came back',
  cleared: 'cleared, stays away',
}

type Props = {
  /** Undefined while nobody has looked: that is not the same as none. */
  codes?: UnitCode[]
  faults: Record<string, string>
  onChange: (codes: UnitCode[]) => void
}

/** Trouble codes with their text and how each stands; none is an answer too. */
export function CodesRows({ codes: said, faults, onChange }: Props) {
  const codes = said ?? []
  const set = (i: number, change: Partial<UnitCode>) =>
    onChange(codes.map((each, j) => (i === j ? { ...each, ...change } : each)))
  return (
    <fieldset className="grid gap-2">
      <legend className="field-label">Codes</legend>
      {codes.length === 0 && <p>{said === undefined ? 'Not yet read.' : 'It shows none.'}</p>}
      {faults.codes && (
        <p role="alert" className="fault">
          {faults.codes}
        </p>
      )}
      {codes.map((each, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a row is what stands at its place; two may be alike
        <div key={i} className="grid gap-2 border-l-8 border-rule pl-3 sm:grid-cols-[8rem_1fr]">
          <label className="grid gap-1">
            <span className="text-sm">Code {i + 1}</span>
            <input
              className="input"
              value={each.code}
              autoComplete="off"
              aria-invalid={faults[`codes.${i}.code`] !== undefined || undefined}
              onChange={(event) => set(i, { code: event.target.value })}
            />
          </label>
          <label className="grid gap-1">
            <span className="text-sm">What it says</span>
            <input
              className="input"
              value={each.says}
              onChange={(event) => set(i, { says: event.target.value })}
            />
          </label>
          <label className="grid gap-1 sm:col-start-2">
            <span className="sr-only">How it stands</span>
            <select
              className="input"
              value={each.is}
              onChange={(event) =>
                set(i, { is: codeStates.find((is) => is === event.target.value) ?? 'present' })
              }
            >
              {codeStates.map((is) => (
                <option key={is} value={is}>
                  {stateNames[is]}
                </option>
              ))}
            </select>
          </label>
          {faults[`codes.${i}.code`] && (
            <p role="alert" className="fault sm:col-span-2">
              Code {i + 1}: {faults[`codes.${i}.code`]}.
            </p>
          )}
          <Button className="sm:col-span-2" onClick={() => onChange(codes.filter((_, j) => j !== i))}>
            Not this code
          </Button>
        </div>
      ))}
      <div className="grid gap-2 sm:grid-cols-2">
        <Button onClick={() => onChange([...codes, { code: '', says: '', is: 'present' }])}>
          Add a code
        </Button>
        {said === undefined && <Button onClick={() => onChange([])}>It shows none</Button>}
      </div>
    </fieldset>
  )
}
