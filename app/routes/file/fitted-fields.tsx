import { spannerField } from './fitted-form'

type Props = {
  bleeders: readonly { id: string; known?: number }[]
  capAdapter: string
  benchThread: string
  /** Asked where a control unit was worked. */
  atUnit?: AtUnit
}

/** What is known of a control unit's routine at the tool. */
type AtUnit = { scanTool: string; toolMenu: string; misled: string; routineMin: string }

/** What fitted, for whoever does this vehicle next: nothing here must be filled in. */
export function FittedFields({ bleeders, capAdapter, benchThread, atUnit }: Props) {
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
        <Text name="capAdapter" label="Cap adapter" is={capAdapter} />
        <Text name="benchThread" label="Bench thread" is={benchThread} />
        {atUnit && (
          <>
            <Text name="scanTool" label="Scan tool that did it" is={atUnit.scanTool} />
            <Text name="toolMenu" label="Where its menus had the routine" is={atUnit.toolMenu} />
            <Text name="misled" label="Which of its words misled" is={atUnit.misled} />
            <Text name="routineMin" label="Its routine took, minutes" is={atUnit.routineMin} number />
          </>
        )}
      </div>
    </fieldset>
  )
}

type TextProps = { name: string; label: string; is: string; number?: boolean }

function Text({ name, label, is, number = false }: TextProps) {
  return (
    <label className="grid gap-1">
      <span className="text-sm">{label}</span>
      <input
        name={name}
        className="input"
        {...(number ? { inputMode: 'numeric' } : { maxLength: 200 })}
        autoComplete="off"
        defaultValue={is}
      />
    </label>
  )
}
