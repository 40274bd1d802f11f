import { ATMOSPHERE_KPA } from '../physics/atmosphere'
import { givesMmPerN, leftInRingMl, leftMl, type Piston, ringMoves, standsAtMm } from './piston'
import type { Tube } from './tube'
import { usual } from './usual'

/** So little vapour keeps a cell above a vacuum without asking whether it is there, mL·kPa. */
const VAPOUR = 1e-3

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
  /** The chamber whose piston has its ring in this cell. */
  ringOf?: Cell
  /** Bore of a tube: below some speed its bubbles stay where they are. */
  boreMm?: number
  /** A piece of a line, whose age stands in the line as a whole. */
  tube?: Tube
}

/**
 * One volume of the network: what it holds (liquid, of which so much old, and free air at atmospheric pressure)
 * and how much room it offers at a pressure. Its pressure is what makes both the same.
 */
export class Cell {
  readonly of: string
  readonly heightM: number
  readonly boreMm: number | undefined
  readonly piston: Piston | undefined
  readonly ringOf: Cell | undefined
  readonly tube: Tube | undefined
  baseMl: number
  wallMlPerKPa: number
  takeUpMl: number
  takeUpKPa: number
  liquidMl = 0
  oldMl = 0
  airMl = 0
  kPa = 0
  /** Of a pass: contents less room, mL, and how fast that falls as pressure grows, mL for each kPa; above 0. */
  trialGapMl = 0
  trialSlope = 0
  /** Of a pass, where it lies around another's piston: the pressure tried there, and how each one's room grows with the other's pressure. */
  trialKPa = 0
  sharedSlope = 0

  constructor(shape: CellShape) {
    this.of = shape.of
    this.heightM = shape.heightM
    this.baseMl = shape.baseMl
    this.wallMlPerKPa = shape.wallMlPerKPa ?? 0
    this.takeUpMl = shape.takeUpMl ?? 0
    this.takeUpKPa = shape.takeUpKPa ?? 1
    this.piston = shape.piston
    this.ringOf = shape.ringOf
    this.boreMm = shape.boreMm
    this.tube = shape.tube
  }

  /** Filled at rest, so much of it old and so much air. */
  fill(oldShare: number, airMl: number): void {
    this.airMl = Math.min(airMl, this.roomMl(0, 1))
    this.liquidMl = this.roomMl(0, 1) - this.airMl
    if (this.tube) this.tube.fill(this.liquidMl, oldShare)
    else this.oldMl = oldShare * this.liquidMl
  }

  /** Of what is stirred in it; a line's pieces have none of their own. */
  get oldShare(): number {
    return this.liquidMl > 0 ? Math.min(1, Math.max(0, this.oldMl / this.liquidMl)) : 0
  }

  /** Air as it is pressed together now. */
  get bubbleMl(): number {
    return (this.airMl * ATMOSPHERE_KPA) / (this.kPa + ATMOSPHERE_KPA)
  }

  pistonAtMm(kPa: number, dt: number): number {
    return this.piston === undefined ? 0 : standsAtMm(this.piston, kPa, dt)
  }

  /** Room at a pressure, mL. */
  roomMl(kPa: number, dt: number): number {
    let ml = this.baseMl + this.wallMlPerKPa * kPa
    if (this.takeUpMl > 0 && kPa > 0) ml += this.takeUpMl * (1 - Math.exp(-kPa / this.takeUpKPa))
    if (this.piston) ml += leftMl(this.piston, standsAtMm(this.piston, kPa, dt))
    const { ringOf } = this
    if (ringOf?.piston) ml += leftInRingMl(ringOf.piston, standsAtMm(ringOf.piston, ringOf.kPa, dt))
    return ml
  }

  /** One pass at a pressure: what it holds too much, and how much faster its room grows with pressure than that. */
  pass(kPa: number, dt: number): void {
    const absolute = kPa + ATMOSPHERE_KPA
    const gasMl = (this.airMl * ATMOSPHERE_KPA + VAPOUR) / absolute
    const giveMl = this.liquidMl / usual.bulkKPa
    let roomMl = this.baseMl + this.wallMlPerKPa * kPa
    let slope = this.wallMlPerKPa + giveMl + gasMl / absolute
    if (this.takeUpMl > 0 && kPa > 0) {
      const left = this.takeUpMl * Math.exp(-kPa / this.takeUpKPa)
      roomMl += this.takeUpMl - left
      slope += left / this.takeUpKPa
    }
    const { piston } = this
    if (piston) {
      const at = standsAtMm(piston, kPa, dt)
      roomMl += leftMl(piston, at)
      slope += piston.areaMm2 ** 2 * 1e-6 * givesMmPerN(piston, at, dt)
    }
    const { ringOf } = this
    if (ringOf?.piston?.ring) {
      const at = standsAtMm(ringOf.piston, ringOf.trialKPa, dt)
      const gives = givesMmPerN(ringOf.piston, at, dt)
      const { areaMm2 } = ringOf.piston.ring
      roomMl += leftInRingMl(ringOf.piston, at)
      const mlPerKPa = ringMoves(ringOf.piston, at) ? areaMm2 * 1e-6 * gives : 0
      slope += areaMm2 * mlPerKPa
      this.sharedSlope = ringOf.piston.areaMm2 * mlPerKPa
    }
    this.trialGapMl = this.liquidMl - giveMl * kPa + gasMl - roomMl
    this.trialSlope = slope
  }
}
