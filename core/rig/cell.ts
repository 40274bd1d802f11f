import { ATMOSPHERE_KPA } from '../physics/atmosphere'
import { usual } from './usual'

/** So little vapour keeps a cell above a vacuum without asking whether it is there, mL·kPa. */
const VAPOUR = 1e-3

/** A piston that something presses: where it stands follows from the pressure before it. */
export type Piston = {
  areaMm2: number
  strokeMm: number
  springN: number
  springNPerMm: number
  damperNsPerMm: number
  /** Pressed with this now. */
  forceN: number
  atMm: number
}

const PAST_KINK_KPA = 1e-7

/** What a cell is made with; everything but its volume may be left out. */
export type CellShape = {
  /** Part or line it belongs to. */
  of: string
  /** Above the reservoir, so mostly below 0. */
  heightM: number
  baseMl: number
  /** What its walls give. */
  wallMlPerKPa?: number
  /** Clearance that is taken up at first, and the pressure by which most of it is. */
  takeUpMl?: number
  takeUpKPa?: number
  piston?: Piston
  /** Bore of a tube: below some speed its bubbles stay where they are. */
  boreMm?: number
}

/**
 * One stirred volume of the network: what it holds (liquid, of which so much old, and free air at atmospheric pressure)
 * and how much room it offers at a pressure. Its pressure is what makes both the same.
 */
export class Cell {
  readonly of: string
  readonly heightM: number
  readonly boreMm: number | undefined
  readonly piston: Piston | undefined
  baseMl: number
  wallMlPerKPa: number
  takeUpMl: number
  takeUpKPa: number
  liquidMl = 0
  oldMl = 0
  airMl = 0
  kPa = 0

  constructor(shape: CellShape) {
    this.of = shape.of
    this.heightM = shape.heightM
    this.baseMl = shape.baseMl
    this.wallMlPerKPa = shape.wallMlPerKPa ?? 0
    this.takeUpMl = shape.takeUpMl ?? 0
    this.takeUpKPa = shape.takeUpKPa ?? 1
    this.piston = shape.piston
    this.boreMm = shape.boreMm
  }

  /** Filled at rest, so much of it old and so much air. */
  fill(oldShare: number, airMl: number): void {
    this.airMl = Math.min(airMl, this.roomMl(0, 1))
    this.liquidMl = this.roomMl(0, 1) - this.airMl
    this.oldMl = oldShare * this.liquidMl
  }

  get oldShare(): number {
    return this.liquidMl > 0 ? Math.min(1, Math.max(0, this.oldMl / this.liquidMl)) : 0
  }

  /** Air as it is pressed together now. */
  get bubbleMl(): number {
    return (this.airMl * ATMOSPHERE_KPA) / (this.kPa + ATMOSPHERE_KPA)
  }

  pistonAtMm(kPa: number, dt: number): number {
    const { piston } = this
    if (!piston) return 0
    const drag = piston.damperNsPerMm / dt
    const free =
      (piston.forceN - piston.springN - kPa * piston.areaMm2 * 1e-3 + piston.atMm * drag) /
      (piston.springNPerMm + drag)
    return Math.max(0, Math.min(piston.strokeMm, free))
  }

  /**
   * No further than where its room begins to grow otherwise: a straight line means nothing beyond. There it is put just
   * past the kink, so that the next pass goes by what holds on that side.
   */
  clip(kPa: number, next: number, dt: number): number {
    const { piston } = this
    let clipped = next
    const stopAt = (kink: number) => {
      if (kPa < kink - PAST_KINK_KPA && clipped > kink) clipped = kink + PAST_KINK_KPA
      if (kPa > kink + PAST_KINK_KPA && clipped < kink) clipped = kink - PAST_KINK_KPA
    }
    if (this.takeUpMl > 0) stopAt(0)
    if (!piston) return clipped
    const drag = piston.damperNsPerMm / dt
    const pressedN = piston.forceN - piston.springN + piston.atMm * drag
    const kPaAt = (mm: number) => ((pressedN - mm * (piston.springNPerMm + drag)) / piston.areaMm2) * 1000
    for (const kink of next > kPa ? [kPaAt(0), kPaAt(piston.strokeMm)] : [kPaAt(piston.strokeMm), kPaAt(0)])
      stopAt(kink)
    return clipped
  }

  /** Room at a pressure, mL. */
  roomMl(kPa: number, dt: number): number {
    let ml = this.baseMl + this.wallMlPerKPa * kPa
    if (this.takeUpMl > 0 && kPa > 0) ml += this.takeUpMl * (1 - Math.exp(-kPa / this.takeUpKPa))
    if (this.piston) ml += (this.piston.areaMm2 * (this.piston.strokeMm - this.pistonAtMm(kPa, dt))) / 1000
    return ml
  }

  /** What it holds, as large as it is at a pressure, mL. */
  contentsMl(kPa: number): number {
    return (
      this.liquidMl * (1 - kPa / usual.bulkKPa) +
      (this.airMl * ATMOSPHERE_KPA + VAPOUR) / (kPa + ATMOSPHERE_KPA)
    )
  }

  /** How much faster room grows with pressure than what it holds, mL for each kPa; above 0. */
  slope(kPa: number, dt: number): number {
    const absolute = kPa + ATMOSPHERE_KPA
    let slope =
      this.wallMlPerKPa +
      this.liquidMl / usual.bulkKPa +
      (this.airMl * ATMOSPHERE_KPA + VAPOUR) / (absolute * absolute)
    if (this.takeUpMl > 0 && kPa > 0)
      slope += (this.takeUpMl / this.takeUpKPa) * Math.exp(-kPa / this.takeUpKPa)
    const { piston } = this
    if (piston) {
      const at = this.pistonAtMm(kPa, dt)
      if (at > 0 && at < piston.strokeMm)
        slope += (piston.areaMm2 ** 2 * 1e-6) / (piston.springNPerMm + piston.damperNsPerMm / dt)
    }
    return slope
  }
}
