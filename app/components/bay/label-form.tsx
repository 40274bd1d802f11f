import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { useReadAmount, useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { DateInput } from '~/ui/date-input'
import { type FluidSpec, fluidSpecs } from '~core/fluid/specs'

type Props = { planned: FluidSpec; onSaid: (act: FloorAct) => void; close: () => void }

/** A container that is not on the shelf: what its label says is written down before anything is poured. */
export function LabelForm({ planned, onSaid, close }: Props) {
  const [fault, setFault] = useState(false)
  const read = useReadAmount()
  const show = useShow()
  function submit(event: React.FormEvent<HTMLFormElement>) {
    event.preventDefault()
    const said = new FormData(event.currentTarget)
    const spec = fluidSpecs.find((each) => each === said.get('spec'))
    const text = String(said.get('sizeMl')).trim()
    const size = text === '' ? undefined : read(text)
    const bad = !spec || (text !== '' && (size === undefined || size.ml < 1))
    setFault(bad)
    if (bad) return
    close()
    onSaid({
      type: 'container-opened',
      container: {
        spec,
        batch: String(said.get('batch')).trim(),
        sizeMl: size?.ml,
        openedOn: String(said.get('openedOn')) || undefined,
      },
      ...(size?.typed && { typed: size.typed }),
    })
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label className="grid gap-1">
        <span className="field-label">Kind</span>
        <select name="spec" defaultValue={planned} className="input min-h-[56px]">
          {fluidSpecs.map((spec) => (
            <option key={spec} value={spec}>
              {spec === 'mineral' ? 'Mineral oil' : spec}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1">
        <span className="field-label">Batch</span>
        <input name="batch" className="input min-h-[56px]" autoComplete="off" maxLength={200} />
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="grid gap-1">
          <span className="field-label">Size, {show.unit('volume')}</span>
          <input name="sizeMl" className="input min-h-[56px]" inputMode="decimal" autoComplete="off" />
        </label>
        <label className="grid gap-1">
          <span className="field-label">Opened on</span>
          <DateInput name="openedOn" className="min-h-[56px]" />
        </label>
      </div>
      {fault && (
        <p role="alert" className="fault">
          Give the size in {show.unit('volume')}, up to {show.number('volume', 20_000)}, or leave it empty.
        </p>
      )}
      <Button type="submit" main size="glove" className="text-xl">
        Opened: pour from it
      </Button>
    </form>
  )
}
