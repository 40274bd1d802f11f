import { applyEvent } from '~core/job/apply'
import type { FloorEvent } from '~core/job/events'
import { hiddenIn } from '~core/job/practice-hides'
import { type HeldAir, PracticeVehicle, type Seen } from '~core/job/practice-vehicle'
import type { JobState } from '~core/job/state'
import type { unpluggables } from '~core/procedure/schema'
import type { codeStands, ScanSaid } from '~core/scan-tool/lines'
import { routedBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import type { PartOf, Position, Vehicle } from '~core/vehicle/schema'

export type Unpluggable = (typeof unpluggables)[number]

/** A code of the unit. One with a fault behind it comes back when it is cleared: at once, or on the first drive. */
export type Kept = {
  code: string
  text: string
  isReal: boolean
  onDrive: boolean
  is: (typeof codeStands)[number]
}

export type Dials = {
  ignition: boolean
  volts: number
  /** What its sensor reads with nobody on the pedal, kPa. */
  restKPa: number
  number: string
}

const firstDials: Dials = { ignition: true, volts: 12.6, restKPa: 0, number: 'CU 70-114' }

/** Below this it starts nothing. @source from memory */
export const LEAST_VOLTS = 11.5
/** A firm foot on the simulated pedal, and a firm hand at a lever, N. @source from memory */
const FIRM_N = 250
const FIRM_HAND_N = 80
/** Its valves move for so long when it is powered, and when it works on the road. @source from memory */
const SELF_TEST_S = 3

const round = (value: number) => Math.round(value * 10) / 10

const codesOfPlugs: Record<Unpluggable, { code: string; text: string }> = {
  'level-sensor': { code: 'L101', text: 'Level sensor, circuit open' },
  'pedal-sensor': { code: 'P102', text: 'Pedal sensor, circuit open' },
  'wheel-sensor': { code: 'W103', text: 'Wheel sensor, circuit open' },
  'pump-relay': { code: 'R104', text: 'Pump relay, circuit open' },
}

/** A control unit on a simulated vehicle that somebody works at: what a scan tool sees of it. */
export class SimulatedUnit {
  dials: Dials = firstDials
  isPowered = true
  isPressed = false
  private codes: Kept[] = []
  private readonly unplugged = new Set<Unpluggable>()
  private vehicleHere: PracticeVehicle
  /** As the job stood that was followed last. */
  private followed?: JobState
  private turning?: Position
  readonly unit: PartOf<'control-unit'> | undefined
  readonly bleeders: readonly string[]
  private openByHand?: string

  constructor(readonly vehicle: Vehicle) {
    this.unit = partsOf(vehicle, 'control-unit')[0]
    this.bleeders = routedBleeders(vehicle).map(({ bleeder }) => bleeder.id)
    this.vehicleHere = this.withAir({})
  }
  private withAir(held: HeldAir): PracticeVehicle {
    return new PracticeVehicle(this.vehicle, hiddenIn(this.vehicle), 20, held)
  }
  private get rig() {
    return this.vehicleHere.rig
  }

  /** The same vehicle as it comes in, with air in it. @param ml in the unit’s closed branches, and in the unit itself */
  comesIn({ closedMl, openMl }: { closedMl: number; openMl: number }): void {
    const id = this.unit?.id
    this.vehicleHere = this.withAir(
      id === undefined ? {} : { closedAirMl: { [id]: closedMl }, airMl: { [id]: openMl } },
    )
    this.isPressed = false
    this.openByHand = undefined
    this.followed = undefined
  }
  /** Air in all of it, and what of that stands behind the unit’s closed valves, mL. */
  get airMl(): number {
    return round(this.rig.airMl)
  }
  get closedAirMl(): number {
    const { branches } = this.rig.assembly
    return round(branches.reduce((sum, { cell }) => sum + this.rig.assembly.at(cell).airMl, 0))
  }

  /** How much of what came last at a bleeder was old, 0 to 1. */
  oldShareAt = (bleeder: string): number => this.rig.outlet(bleeder).bottleOld

  press(pressed: boolean): void {
    this.isPressed = pressed
    for (const { id: cylinder, actuator } of partsOf(this.vehicle, 'master-cylinder'))
      this.rig.do(
        pressed
          ? {
              do: 'press',
              cylinder,
              effortN: actuator === 'pedal' ? FIRM_N : FIRM_HAND_N,
              overS: 0.3,
              for: 1,
            }
          : { do: 'release', cylinder, overS: 0.3, for: 1 },
      )
  }
  /** Turn a bleeder with no hose on it; another one that stands open is closed first. */
  turn(bleeder: string | undefined): void {
    if (this.openByHand !== undefined) this.rig.do({ do: 'close', bleeder: this.openByHand, for: 0.1 })
    this.openByHand = bleeder
    if (bleeder !== undefined) this.rig.do({ do: 'open', bleeder, turns: 0.5, hose: 'open', for: 0.3 })
  }
  get open(): string | undefined {
    return this.openByHand
  }

  /**
   * One act more on the job as it was followed last.
   *
   * @param length how many acts the job has after it
   * @returns false where others came between: then the whole job is needed
   */
  followNext(event: FloorEvent, length: number): boolean {
    if (this.followed?.length !== length - 1) return false
    const applied = applyEvent(this.followed, event)
    if (applied.ok) this.follow(event, applied.state)
    return applied.ok
  }
  /** What was done to a job is done to the vehicle. */
  follow(event: FloorEvent, after: JobState): void {
    this.vehicleHere.follow(this.followed ?? after, event, after)
    this.followed = after
  }
  /** Time goes by with hands and feet where they are. @returns what is seen of it then */
  passes(seconds: number): Seen {
    if (seconds > 0) this.vehicleHere.pass(seconds)
    return this.vehicleHere.seen()
  }
  pass(seconds: number): void {
    this.rig.do({ do: 'wait', for: seconds })
  }

  /** Plugged in it tries its valves: with air before them that goes in behind them. */
  power(powered: boolean): void {
    if (powered && !this.isPowered) this.works(SELF_TEST_S)
    this.isPowered = powered
  }
  /** A first drive: it brakes, the unit works, and what shows only on the road comes back. */
  drive(): void {
    this.press(true)
    this.works(SELF_TEST_S)
    this.press(false)
    this.codes = this.codes.map((kept) =>
      kept.isReal && kept.is === 'cleared' ? { ...kept, is: 'returned' } : kept,
    )
  }
  plug(what: Unpluggable, plugged: boolean): void {
    if (plugged) this.unplugged.delete(what)
    else this.unplugged.add(what)
  }

  setCode(code: Omit<Kept, 'is'>): void {
    this.codes = [...this.codes.filter((each) => each.code !== code.code), { ...code, is: 'present' }]
  }
  mend(): void {
    this.codes = this.codes.map((kept) => ({ ...kept, isReal: false }))
  }
  /** What it says of itself now: what was cleared and stays away it has forgotten. */
  codesNow(): Kept[] {
    const loose = [...this.unplugged].map(
      (what): Kept => ({
        ...codesOfPlugs[what],
        isReal: true,
        onDrive: false,
        is: 'present',
      }),
    )
    return [...this.codes.filter(({ is }) => is !== 'cleared'), ...loose]
  }

  /** Pressure in a brake by where it sits, else in the first chamber. */
  private brakeKPa(position: Position): number {
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

  /** Why it does nothing of what it is asked now; undefined where it would. */
  refuses(): ScanSaid | undefined {
    if (!this.unit || !this.isPowered) return refused('no-unit', 'The unit does not answer: it has no power.')
    return this.dials.ignition ? undefined : refused('ignition-off', 'Ignition is off.')
  }
  read(): ScanSaid[] {
    const { dials } = this
    const codes = this.codesNow()
    const left = round(this.brakeKPa('front-left') + dials.restKPa)
    const right = round(this.brakeKPa('front-right') + dials.restKPa)
    return [
      { says: 'number', number: dials.number },
      { says: 'volts', volts: round(dials.volts) },
      ...codes.map(({ code, is, text }): ScanSaid => ({ says: 'code', code, is, text })),
      { says: 'lamp', is: codes.length > 0 ? 'on' : 'out' },
      { says: 'live', name: 'pressure', value: left },
      { says: 'live', name: 'left', value: left },
      { says: 'live', name: 'right', value: right },
      { says: 'live', name: 'pedal', value: round(this.pedalMm()) },
      ...partsOf(this.vehicle, 'wheel-brake').map(
        ({ position }): ScanSaid => ({
          says: 'wheel',
          position,
          kmh: position === this.turning ? 4 : 0,
        }),
      ),
      { says: 'end' },
    ]
  }
  /** A wheel whose sensor says that it turns while the vehicle stands. */
  turns(position: Position | undefined): void {
    this.turning = position
  }
  clear(): void {
    this.codes = this.codes.map((kept) => ({
      ...kept,
      is: kept.isReal && !kept.onDrive ? ('returned' as const) : ('cleared' as const),
    }))
  }
  calibrate(): ScanSaid | undefined {
    if (this.isPressed) return refused('busy', 'Foot off the pedal first.')
    this.dials = { ...this.dials, restKPa: 0 }
    return undefined
  }
  /** Its pump and valves work for so long. */
  works(seconds: number): void {
    if (this.unit) this.rig.do({ do: 'cycle', unit: this.unit.id, for: seconds })
  }
}

export const refused = (
  why: Extract<ScanSaid, { says: 'refused' }>['why'],
  text: string,
): Extract<ScanSaid, { says: 'refused' }> => ({ says: 'refused', why, text })
