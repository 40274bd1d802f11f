import { spannerField } from '~/lib/fitted-form'

type Props = {
  bleeders: readonly { id: string; known?: number }[]
  capAdapter: string
  benchThread: string
  /** Asked where a control unit was worked. */
  scanTool?: string
}

/** What fitted, for whoever does this vehicle next: nothing here must be filled in. */
export function FittedFields({ bleeders, capAdapter, benchThread, scanTool }: Props) {
  return (
    <fieldset className="grid gap-3">
      <legend className="field-label">What fitted, for the next time</legend>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        {bleeders.map(({ id, known }) => (
          <label key={id} className="grid gap-1">
            <span className="text-sm wrap-anywhere">Spanner of {id}, mm</span>
            <input
              name={spannerField(id)}
              className="input"
              inputMode="decimal"
              autoComplete="off"
              defaultValue={known}
            />
          </label>
        ))}
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <label className="grid gap-1">
          <span className="text-sm">Cap adapter</span>
          <input
            name="capAdapter"
            className="input"
            maxLength={200}
            autoComplete="off"
            defaultValue={capAdapter}
          />
        </label>
        <label className="grid gap-1">
          <span className="text-sm">Bench thread</span>
          <input
            name="benchThread"
            className="input"
            maxLength={200}
            autoComplete="off"
            defaultValue={benchThread}
          />
        </label>
        {scanTool !== undefined && (
          <label className="grid gap-1 sm:col-span-2">
            <span className="text-sm">Which scan tool did it, and which of its words misled</span>
            <input
              name="scanTool"
              className="input"
              maxLength={200}
              autoComplete="off"
              defaultValue={scanTool}
            />
          </label>
        )}
      </div>
    </fieldset>
  )
}
