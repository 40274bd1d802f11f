import { Rig } from '~core/rig/run'
import type { ScanAsked, ScanSaid } from '~core/scan-tool/lines'
import { partsOf } from '~core/vehicle/parts'
import type { PartOf, Vehicle } from '~core/vehicle/schema'

/** What the tool may do wrong. */
export const moods = [
  'sound',
  'silent',
  'nonsense',
  'goes dark half-way',
  'pump runs on',
  'a door opens',
] as const

/** A code of the unit; one with a fault behind it comes back when it is cleared. */
export type Kept = {
  code: string
  text: string
  isReal: boolean
  is: 'present' | 'stored' | 'returned' | 'cleared'
}

export type Dials = {
  ignition: boolean
  volts: number
  /** What its sensor reads with nobody on the pedal, kPa. */
  restKPa: number
  /** How long its pump runs, s. */
  pumpS: number
  number: string
  mood: (typeof moods)[number]
}

export const firstDials: Dials = {
  ignition: true,
  volts: 12.6,
  restKPa: 0,
  pumpS: 6,
  number: 'CU 70-114',
  mood: 'sound',
}

/** Below this it starts nothing. @source from memory */
const LEAST_VOLTS = 11.5
/** A firm foot on the simulated pedal, N. */
const FIRM_N = 250
/** How long each other thing takes to come, s. */
const COMES_S: Record<string, number> = {
  'pressure-falls': 4,
  'valves-quiet': 3,
  'lamp-out': 2,
  'level-at-max': 1,
}

const round = (value: number) => Math.round(value * 10) / 10

/** A control unit on a simulated vehicle, as a scan tool sees it. */
export class SimulatedUnit {
  dials: Dials = firstDials
  codes: Kept[] = []
  isPressed = false
  airMl = 0
  private rig: Rig
  private readonly unit: PartOf<'control-unit'> | undefined

  constructor(readonly vehicle: Vehicle) {
    this.unit = partsOf(vehicle, 'control-unit')[0]
    this.rig = this.withAir(0)
  }

  private withAir(ml: number): Rig {
    const closedAirMl = this.unit && ml > 0 ? { [this.unit.id]: ml } : {}
    const start = { oldPct: 100, newIn: [], levelMl: {}, airMl: {}, closedAirMl, tempC: 20, boost: false }
    return new Rig({ vehicle: this.vehicle, start, faults: [] })
  }
  /** Air that its closed branches hold from now on, mL. */
  hideAir(ml: number): void {
    this.airMl = ml
    this.rig = this.withAir(ml)
    this.isPressed = false
  }
  press(pressed: boolean): void {
    this.isPressed = pressed
    for (const { id: cylinder } of partsOf(this.vehicle, 'master-cylinder'))
      this.rig.do(
        pressed
          ? { do: 'press', cylinder, effortN: FIRM_N, overS: 0.3, for: 1 }
          : { do: 'release', cylinder, overS: 0.3, for: 1 },
      )
  }
  pass(seconds: number): void {
    this.rig.do({ do: 'wait', for: seconds })
  }

  /** Pressure in a brake by where it sits, else in the first chamber. */
  private brakeKPa(position: 'front-left' | 'front-right'): number {
    const { assembly } = this.rig
    const brake = partsOf(this.vehicle, 'wheel-brake').find((each) => each.position === position)
    const cell =
      [...assembly.worn].find(([id]) => id === brake?.id)?.[1][0]?.cell ?? assembly.chambers[0]?.cell
    return cell === undefined ? 0 : assembly.at(cell).kPa
  }
  private pedalMm = (): number => {
    const [cylinder] = partsOf(this.vehicle, 'master-cylinder')
    return cylinder ? this.rig.pedalMm(cylinder.id) : 0
  }

  read(): ScanSaid[] {
    const { dials, codes } = this
    if (!dials.ignition) return [refused('ignition-off', 'Ignition is off.')]
    const left = round(this.brakeKPa('front-left') + dials.restKPa)
    const right = round(this.brakeKPa('front-right') + dials.restKPa)
    return [
      { says: 'number', number: dials.number },
      { says: 'volts', volts: round(dials.volts) },
      ...codes.map(({ code, is, text }): ScanSaid => ({ says: 'code', code, is, text })),
      { says: 'live', name: 'pressure', value: left },
      { says: 'live', name: 'left', value: left },
      { says: 'live', name: 'right', value: right },
      { says: 'live', name: 'pedal', value: round(this.pedalMm()) },
      { says: 'live', name: 'speed', value: 0 },
      { says: 'end' },
    ]
  }
  clear(): ScanSaid[] {
    if (!this.dials.ignition) return [refused('ignition-off', 'Ignition is off.')]
    this.codes = this.codes.flatMap((kept) => (kept.isReal ? [{ ...kept, is: 'returned' as const }] : []))
    return [{ says: 'end' }]
  }
  calibrate(): ScanSaid[] {
    if (!this.dials.ignition) return [refused('ignition-off', 'Ignition is off.')]
    if (this.isPressed) return [refused('busy', 'Foot off the pedal first.')]
    this.dials = { ...this.dials, restKPa: 0 }
    return [{ says: 'end' }]
  }

  /** How long until what is waited for has come, s; or why it does not start. */
  starts({ routine, until }: Extract<ScanAsked, { ask: 'run' }>): number | ScanSaid {
    const { ignition, volts, pumpS } = this.dials
    if (this.unit?.routine !== routine)
      return refused('not-offered', `This vehicle offers ${this.unit?.routine ?? 'no routine'}.`)
    if (!ignition) return refused('ignition-off', 'Ignition is off.')
    if (volts < LEAST_VOLTS) return refused('voltage-low', `Battery at ${volts} V, ${LEAST_VOLTS} V wanted.`)
    return COMES_S[until] ?? pumpS
  }
  /** Its pump and valves work for so long. */
  works(seconds: number): void {
    if (this.unit) this.rig.do({ do: 'cycle', unit: this.unit.id, for: seconds })
  }
}

const refused = (why: Extract<ScanSaid, { says: 'refused' }>['why'], text: string): ScanSaid => ({
  says: 'refused',
  why,
  text,
})
