import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { useFieldText, useUnits } from '~/lib/units'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { type ReadTime, type UnitCode, type UnitReading, unitReadingSchema } from '~core/job/unit-ledger'
import type { LiveName } from '~core/scan-tool/lines'
import { readQuantity } from '~core/units/units'
import type { Position } from '~core/vehicle/schema'
import { CodesRows } from './codes-rows'
import { ReadTool } from './read-tool'
import { WheelsWorked } from './wheels-worked'

type Props = { unit: string; when: ReadTime; positions: readonly Position[]; act: (act: FloorAct) => void }

const figures = {
  restKPa: { label: 'Pressure sensor, nobody on the pedal', of: 'pressure' },
  pressedKPa: { label: 'Under a firm foot', of: 'pressure' },
  leftKPa: { label: 'Front left, firm foot (may be left out)', of: 'pressure' },
  rightKPa: { label: 'Front right, firm foot (may be left out)', of: 'pressure' },
  pedalMm: { label: 'Pedal down at the third firm press (may be left out)', of: 'length' },
} as const
type Figure = keyof typeof figures
const figureNames = Object.keys(figures) as Figure[]
const pressures: readonly Figure[] = figureNames.filter((name) => figures[name].of === 'pressure')

const calibrations = {
  done: 'Done, the tool says so',
  'none-asked': 'None asked for',
  failed: 'Failed',
} as const
const lamps = { out: 'Out', on: 'On' } as const

/** What the unit says of itself, read off the tool or typed from its screen. */
export function ReadingForm({ unit, when, positions, act }: Props) {
  const units = useUnits()
  const text = useFieldText()
  const [from, setFrom] = useState<UnitReading['from']>('aloud')
  const [codes, setCodes] = useState<UnitCode[]>()
  const [typed, setTyped] = useState<Partial<Record<Figure, string>>>({})
  const [said, setSaid] = useState<Pick<UnitReading, 'volts' | 'number' | 'lamp' | 'wheelsKmh' | 'worked'>>(
    {},
  )
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
    if (codes === undefined) wrong.codes = 'Read its codes first, or say that it shows none.'
    const values = Object.fromEntries(
      figureNames.flatMap((name) => {
        const shown = (typed[name] ?? '').trim()
        const { of } = figures[name]
        if ((noSensor && pressures.includes(name)) || shown === '') return []
        const value = readQuantity(shown, of, units[of])?.metric
        if (value === undefined) wrong[name] = `give a number of ${units[of]}`
        return [[name, value]]
      }),
    )
    const read = unitReadingSchema.safeParse({
      from,
      codes: codes ?? [],
      ...said,
      ...(calibration && { calibration }),
      ...values,
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
        onRead={({ codes: read, live, ...others }, pressed) => {
          setFrom('tool')
          setCodes(read)
          setSaid((before) => ({ ...before, ...others }))
          const shown = (name: LiveName, of: 'pressure' | 'length' = 'pressure') => text(of, live[name]) ?? ''
          setTyped((before) =>
            pressed
              ? {
                  ...before,
                  pressedKPa: shown('pressure'),
                  leftKPa: shown('left'),
                  rightKPa: shown('right'),
                  pedalMm: shown('pedal', 'length'),
                }
              : { ...before, restKPa: shown('pressure') },
          )
        }}
      />
      <CodesRows codes={codes} faults={faults} onChange={byHand(setCodes)} />
      <div className="grid items-end gap-4 sm:grid-cols-2">
        {figureNames.map((name) => (
          <label key={name} className="grid gap-1">
            <span className="field-label">
              {figures[name].label}, {units[figures[name].of]}
            </span>
            <input
              className="input"
              inputMode="decimal"
              autoComplete="off"
              disabled={noSensor && pressures.includes(name)}
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
        <label className="grid gap-1">
          <span className="field-label">Its lamp</span>
          <select
            className="input"
            value={said.lamp ?? ''}
            onChange={({ target: { value } }) =>
              byHand(setSaid)({ ...said, lamp: value === 'out' || value === 'on' ? value : undefined })
            }
          >
            <option value="">Not yet said</option>
            {Object.entries(lamps).map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
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
      </div>
      <label className="choice min-h-12">
        <input type="checkbox" checked={noSensor} onChange={(event) => setNoSensor(event.target.checked)} />
        <span>It has no pressure sensor</span>
      </label>
      {when === 'after' && (
        <WheelsWorked
          positions={positions}
          worked={said.worked ?? {}}
          onChange={(worked) => setSaid({ ...said, worked })}
        />
      )}
      <ActionBar>
        <Button type="submit" main>
          Record what it says
        </Button>
      </ActionBar>
    </form>
  )
}
