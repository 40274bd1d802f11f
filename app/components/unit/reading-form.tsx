import { useState } from 'react'
import { useFieldText, useUnits } from '~/lib/units'
import type { FloorAct } from '~/run-client/use-job-run'
import { type UnitCode, type UnitReading, unitReadingSchema } from '~core/job/unit-ledger'
import type { LiveName } from '~core/scan-tool/lines'
import { readQuantity } from '~core/units/units'
import { CodesRows } from './codes-rows'
import { ReadTool } from './read-tool'

type Props = { unit: string; when: 'before' | 'after'; act: (act: FloorAct) => void }

const pressures = {
  restKPa: 'Pressure sensor, nobody on the pedal',
  pressedKPa: 'Under a firm foot',
  leftKPa: 'Front left, firm foot (may be left out)',
  rightKPa: 'Front right, firm foot (may be left out)',
} as const
type Pressure = keyof typeof pressures
const pressureNames = Object.keys(pressures) as Pressure[]

const calibrations = {
  done: 'Done, the tool says so',
  'none-asked': 'None asked for',
  failed: 'Failed',
} as const

/** What the unit says of itself, read off the tool or typed from its screen. */
export function ReadingForm({ unit, when, act }: Props) {
  const units = useUnits()
  const text = useFieldText()
  const [from, setFrom] = useState<UnitReading['from']>('aloud')
  const [codes, setCodes] = useState<UnitCode[]>([])
  const [typed, setTyped] = useState<Partial<Record<Pressure, string>>>({})
  const [volts, setVolts] = useState<number>()
  const [calibration, setCalibration] = useState<string>('')
  const [noSensor, setNoSensor] = useState(false)
  const [faults, setFaults] = useState<Record<string, string>>({})
  /** What a hand changed the tool did not say. */
  const byHand =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      setFrom('aloud')
      set(value)
    }
  function submit(event: React.FormEvent) {
    event.preventDefault()
    const wrong: Record<string, string> = {}
    const kPa = Object.fromEntries(
      pressureNames.flatMap((name) => {
        const said = (typed[name] ?? '').trim()
        if (noSensor || said === '') return []
        const value = readQuantity(said, 'pressure', units.pressure)?.metric
        if (value === undefined) wrong[name] = `give a number of ${units.pressure}`
        return [[name, value]]
      }),
    )
    const read = unitReadingSchema.safeParse({
      from,
      codes,
      ...(calibration && { calibration }),
      ...kPa,
      ...(volts !== undefined && { volts }),
      ...(noSensor && { noSensor }),
    })
    if (!read.success) for (const { path, message } of read.error.issues) wrong[path.join('.')] ??= message
    setFaults(wrong)
    if (read.success && Object.keys(wrong).length === 0)
      act({ type: 'unit-read', unit, when, reading: read.data })
  }
  return (
    <form onSubmit={submit} className="grid gap-4" noValidate>
      <ReadTool
        onRead={({ codes: read, live, pressed, volts }) => {
          setVolts(volts)
          setFrom('tool')
          setCodes(read)
          const shown = (name: LiveName) => text('pressure', live[name]) ?? ''
          setTyped((before) =>
            pressed
              ? {
                  ...before,
                  pressedKPa: shown('pressure'),
                  leftKPa: shown('left'),
                  rightKPa: shown('right'),
                }
              : { ...before, restKPa: shown('pressure') },
          )
        }}
      />
      <CodesRows codes={codes} faults={faults} onChange={byHand(setCodes)} />
      <div className="grid items-end gap-4 sm:grid-cols-2">
        {pressureNames.map((name) => (
          <label key={name} className="grid gap-1">
            <span className="field-label">
              {pressures[name]}, {units.pressure}
            </span>
            <input
              className="input"
              inputMode="decimal"
              autoComplete="off"
              disabled={noSensor}
              value={typed[name] ?? ''}
              aria-invalid={faults[name] !== undefined || undefined}
              onChange={(event) => byHand(setTyped)({ ...typed, [name]: event.target.value })}
            />
            {faults[name] && (
              <span role="alert" className="fault">
                Not yet: {faults[name]}.
              </span>
            )}
          </label>
        ))}
      </div>
      <label className="choice min-h-12">
        <input type="checkbox" checked={noSensor} onChange={(event) => setNoSensor(event.target.checked)} />
        <span>It has no pressure sensor</span>
      </label>
      {when === 'after' && (
        <label className="grid gap-1">
          <span className="field-label">Its calibration</span>
          <select
            className="input"
            value={calibration}
            onChange={(event) => setCalibration(event.target.value)}
          >
            <option value="">Not yet said</option>
            {Object.entries(calibrations).map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
      )}
      <button type="submit" className="button button-main">
        Record what it says
      </button>
    </form>
  )
}
