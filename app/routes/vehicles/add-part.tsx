import { useId, useState } from 'react'
import { Button } from '~/ui/button'
import { addable, addPart } from '~core/vehicle/edit/edit'
import type { Vehicle } from '~core/vehicle/schema'

/** Hang a part more on something that is there, with a line of its own. */
export function AddPart({ vehicle, change }: { vehicle: Vehicle; change: (next: Vehicle) => void }) {
  const id = useId()
  const starts = startsOf(vehicle)
  const [type, setType] = useState<(typeof addable)[number]>('wheel-brake')
  const [start, setStart] = useState(0)
  const from = starts[start] ?? starts[0]
  return (
    <div className="grid items-end gap-3 sm:grid-cols-[1fr_2fr_auto]">
      <div>
        <label htmlFor={`${id}-type`} className="field-label">
          A part more
        </label>
        <select
          id={`${id}-type`}
          className="input"
          value={type}
          onChange={(event) => setType(addable.find((each) => each === event.currentTarget.value) ?? type)}
        >
          {addable.map((each) => (
            <option key={each} value={each}>
              {each.replace('-', ' ')}
            </option>
          ))}
        </select>
      </div>
      <div>
        <label htmlFor={`${id}-from`} className="field-label">
          Fed from
        </label>
        <select
          id={`${id}-from`}
          className="input"
          value={start}
          onChange={(event) => setStart(Number(event.currentTarget.value))}
        >
          {starts.map((each, i) => (
            <option key={`${each.id} ${each.circuit}`} value={i}>
              {each.id}, circuit {each.circuit}
            </option>
          ))}
        </select>
      </div>
      <Button disabled={!from} onClick={() => from && change(addPart(vehicle, type, from.id, from.circuit))}>
        Add
      </Button>
    </div>
  )
}

/** Where a line may start, each with a circuit that is there already. */
function startsOf({ lines }: Vehicle): { id: string; circuit: string }[] {
  const all = lines.flatMap(({ from, to, circuit }) => [
    { id: from, circuit },
    { id: to, circuit },
  ])
  return all.filter(
    ({ id, circuit }, i) => all.findIndex((each) => each.id === id && each.circuit === circuit) === i,
  )
}
