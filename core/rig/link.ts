import { type Liquid, laminarResistance, ORIFICE_COEFFICIENT } from '../physics/hydraulics/flow'
import { frictionFactor, LAMINAR_REYNOLDS } from '../physics/hydraulics/friction'
import type { TubeSegment } from '../physics/hydraulics/tube'

/** What a way through takes: laminar, kPa for each mL/s, and of a hole, kPa for each (mL/s)². */
export type Resistance = { laminar: number; square: number }

/** Pieces of tube in series, laminar. */
export const ofTubes = (segments: readonly TubeSegment[], liquid: Liquid): Resistance => ({
  laminar: laminarResistance(segments, liquid) * 1e-9,
  square: 0,
})

/** A hole with a short passage: never the hole alone, whose flow begins with an infinite slope. */
export function ofHole(holeMm: number, passage: TubeSegment, liquid: Liquid): Resistance {
  const areaM2 = (Math.PI / 4) * (holeMm * 1e-3) ** 2
  return {
    laminar: ofTubes([passage], liquid).laminar,
    square: ((liquid.densityKgM3 / 2) * 1e-12) / (ORIFICE_COEFFICIENT * areaM2) ** 2 / 1000,
  }
}

/** A leak that passes so much for each MPa. */
export const ofLeak = (mlPerMinPerMPa: number): Resistance => ({
  laminar: 60_000 / mlPerMinPerMPa,
  square: 0,
})

export const inSeries = (...ways: readonly Resistance[]): Resistance => ({
  laminar: ways.reduce((sum, { laminar }) => sum + laminar, 0),
  square: ways.reduce((sum, { square }) => sum + square, 0),
})

/** A lip or a valve is well open at so much over the pressure that cracks it. @source from memory */
const OPENS_OVER = 0.08

/** How much of the air in a cell goes along with what leaves it by a link. */
export type Takes = 'mixed' | 'air-first' | 'liquid-first'

export type LinkShape = {
  from: number
  to: number
  out: Resistance
  /** Where it is another way back; `none`: nothing comes back. */
  back?: Resistance | 'none'
  /** Nothing passes out; it does not exist that way. */
  noneOut?: true
  /** Has to be exceeded before anything passes out, and back. */
  cracksKPa?: number
  backCracksKPa?: number
  takesOut?: Takes
  takesBack?: Takes
  /** A tube: turbulence takes more than its laminar resistance. */
  tube?: { boreMm: number; mm2PerS: number }
}

/** One way between two cells. Flow is above 0 from `from` to `to`. */
export class Link {
  readonly from: number
  readonly to: number
  out: Resistance
  back: Resistance | 'none'
  noneOut: boolean
  readonly cracksKPa: number
  readonly backCracksKPa: number
  takesOut: Takes
  takesBack: Takes
  readonly tube: { boreMm: number; mm2PerS: number } | undefined
  /** What a pump in it adds. */
  boostKPa = 0
  /** 0 shut, 1 open; between, so much of its section. */
  open = 1
  /** mL/s of the last step. */
  flow = 0
  /** mL/s of a pass, and how it grows with pressure. */
  trialFlow = 0
  trialSlope = 0
  /** What holds for a whole step: laminar and square part out, and back. Nothing passes what takes infinitely much. */
  private outLaminar = 0
  private outSquare = 0
  private backLaminar = 0
  private backSquare = 0

  constructor(shape: LinkShape) {
    this.from = shape.from
    this.to = shape.to
    this.out = shape.out
    this.back = shape.back ?? shape.out
    this.noneOut = shape.noneOut ?? false
    this.cracksKPa = shape.cracksKPa ?? 0
    this.backCracksKPa = shape.backCracksKPa ?? 0
    this.takesOut = shape.takesOut ?? 'mixed'
    this.takesBack = shape.takesBack ?? 'mixed'
    this.tube = shape.tube
  }

  /** Turbulence of the last step, as so many times the laminar resistance. */
  private turbulence(): number {
    if (!this.tube) return 1
    const { boreMm, mm2PerS } = this.tube
    const reynolds = (4000 * Math.abs(this.flow)) / (Math.PI * boreMm * mm2PerS)
    return reynolds <= LAMINAR_REYNOLDS ? 1 : (frictionFactor(reynolds) * reynolds) / 64
  }

  /** Before a step's first pass. @returns whether anything can pass at all */
  begin(): boolean {
    const { open, out, back } = this
    if (open === 0 || (this.noneOut && back === 'none')) return false
    const turbulence = this.turbulence()
    const part = 1 / (open * open)
    this.outLaminar = this.noneOut ? Number.POSITIVE_INFINITY : out.laminar * turbulence * part
    this.outSquare = this.noneOut ? 0 : out.square * part
    this.backLaminar = back === 'none' ? Number.POSITIVE_INFINITY : back.laminar * turbulence * part
    this.backSquare = back === 'none' ? 0 : back.square * part
    return true
  }

  /**
   * Flow at a pressure difference and how it grows with it: dp = a·q + b·q², solved for q in a form that loses no digits.
   */
  pass(dropKPa: number): void {
    const outwards = dropKPa >= 0
    const beyond = outwards ? dropKPa - this.cracksKPa : -dropKPa - this.backCracksKPa
    if (beyond <= 0) {
      this.trialFlow = 0
      this.trialSlope = 0
      return
    }
    const a = outwards ? this.outLaminar : this.backLaminar
    const b = outwards ? this.outSquare : this.backSquare
    // What has to be cracked open does so bit by bit: so much of the pressure beyond drives the flow.
    const width = (outwards ? this.cracksKPa : this.backCracksKPa) * OPENS_OVER
    const opened = beyond / (beyond + width)
    const drives = beyond * opened
    const root = Math.sqrt(a * a + 4 * b * drives)
    const flow = (2 * drives) / (a + root)
    this.trialFlow = outwards ? flow : -flow
    this.trialSlope = (opened * (2 - opened)) / root
  }
}
