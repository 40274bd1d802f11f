import type { Device as DeviceId } from '~server/store/device-ports.server'

/** One kind of instrument that the program asks on a port of this machine. */
type Device = { id: DeviceId; field: string; label: string; says: string }

/** Every kind there is. A new one is one line here. */
export const devices: readonly Device[] = [
  {
    id: 'tester',
    field: 'port',
    label: 'Port of the fluid tester on this machine',
    says: '“Read now” at the Test asks it. The simulated one (bin/tester) speaks on 4801. Empty: none.',
  },
  {
    id: 'scale',
    field: 'scale',
    label: 'Port of the scale on this machine',
    says: '“Weigh the bottle” in the bay listens to it. The simulated one (bin/scale) speaks on 4803. Empty: none.',
  },
  {
    id: 'scan-tool',
    field: 'scan-tool',
    label: 'Port of the scan tool on this machine',
    says: 'A job’s Unit page and the unit’s routine ask it. The simulated one (bin/scan-tool) speaks on 4805. Empty: none, its screen is read aloud.',
  },
]

/** A port as it was typed; nothing typed is no instrument. */
export function readPort(form: FormData, field: string): { port?: number; faults?: Record<string, string> } {
  const text = String(form.get(field) ?? '').trim()
  if (text === '') return {}
  const port = Number(text)
  if (/^\d+$/.test(text) && port >= 1 && port <= 65_535) return { port }
  return { faults: { [field]: 'Give a port from 1 to 65535, or nothing.' } }
}

type PortProps = { device: Device; first?: number; fault?: string }

/** Where one listens; empty is none. */
export function PortField({ device: { field, label, says }, first, fault }: PortProps) {
  return (
    <label className="grid content-start gap-1">
      <span className="field-label">{label}</span>
      <input
        name={field}
        defaultValue={first ?? ''}
        inputMode="numeric"
        className="input"
        aria-invalid={fault ? true : undefined}
      />
      <span className="text-sm text-quiet">{says}</span>
      {fault && <span className="fault">{fault}</span>}
    </label>
  )
}
