import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { Button } from '~/ui/button'
import { type UnitFitted, unitFittedSchema } from '~core/job/unit-ledger'

type Props = {
  unit: string
  kept?: UnitFitted
  /** What the old one said of itself as it came in. */
  saidBefore?: string
  locked: boolean
  act: (act: FloorAct) => void
}

const names = {
  oldNumber: 'Number on the one that came out',
  newNumber: 'Number on the one that goes in',
  makersWord: 'Where they differ: what the maker says of it',
} as const

/** Both numbers, where it comes from, its plug faces: before it is powered. */
export function FittedForm({ unit, kept, saidBefore = '', locked, act }: Props) {
  const [typed, setTyped] = useState<Record<string, string>>({ oldNumber: saidBefore, ...kept })
  const [faults, setFaults] = useState<Record<string, string>>({})
  const set = (name: string) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [name]: event.target.value })
  function submit(event: React.FormEvent) {
    event.preventDefault()
    const { makersWord = '', ...rest } = typed
    const read = unitFittedSchema.safeParse({ ...rest, ...(makersWord.trim() && { makersWord }) })
    setFaults(
      read.success
        ? {}
        : Object.fromEntries(read.error.issues.map(({ path, message }) => [String(path[0]), message])),
    )
    if (read.success) act({ type: 'unit-fitted', unit, fitted: read.data })
  }
  const choice = (name: 'origin' | 'faces', legend: string, options: Record<string, string>) => (
    <fieldset>
      <legend className="field-label">{legend}</legend>
      <div className="grid gap-2 sm:grid-cols-3">
        {Object.entries(options).map(([value, label]) => (
          <label key={value} className="choice min-h-12">
            <input
              type="radio"
              name={`${unit} ${name}`}
              value={value}
              checked={typed[name] === value}
              onChange={set(name)}
            />
            <span>{label}</span>
          </label>
        ))}
      </div>
      {faults[name] && (
        <p role="alert" className="fault">
          Not yet: {faults[name]}.
        </p>
      )}
    </fieldset>
  )
  return (
    <form onSubmit={submit} className="grid gap-3" noValidate>
      {(Object.keys(names) as (keyof typeof names)[]).map((name) => (
        <label key={name} className="grid gap-1">
          <span className="field-label">{names[name]}</span>
          <input
            className="input"
            value={typed[name] ?? ''}
            disabled={locked}
            autoComplete="off"
            aria-invalid={faults[name] !== undefined || undefined}
            onChange={set(name)}
          />
          {faults[name] && (
            <span role="alert" className="fault">
              Not yet: {faults[name]}.
            </span>
          )}
        </label>
      ))}
      {choice('origin', 'It is', { new: 'New', used: 'Used', repaired: 'Repaired' })}
      {choice('faces', 'Its plug faces', { clean: 'Clean and whole', damaged: 'Dirty, bent or burnt' })}
      {!locked && (
        <Button type="submit" main>
          Record its numbers
        </Button>
      )}
    </form>
  )
}
