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
  /** Has to be exceeded before anything passes out, and back. */
  cracksKPa?: number
  backCracksKPa?: number
  takesOut?: Takes
  takesBack?: Takes
  /** A tube: turbulence takes more than its laminar resistance. */
  bore?: Bore
}

/** To the last digit that counts. */
const HALVINGS = 45

type Bore = { boreMm: number; mm2PerS: number }

const reynoldsOf = ({ boreMm, mm2PerS }: Bore, mlPerS: number) =>
  (4000 * mlPerS) / (Math.PI * boreMm * mm2PerS)

/** What a tube takes at a flow beyond laminar, kPa. */
function takes(tube: Bore, a: number, b: number, mlPerS: number): number {
  const reynolds = reynoldsOf(tube, mlPerS)
  return a * mlPerS * ((frictionFactor(reynolds) * reynolds) / 64) + b * mlPerS * mlPerS
}

/** How much more it takes for each mL/s. */
function takesMore(tube: Bore, a: number, b: number, mlPerS: number): number {
  const by = 1e-6 * mlPerS
  return (takes(tube, a, b, mlPerS + by) - takes(tube, a, b, mlPerS - by)) / (2 * by)
}

/** The flow that takes a pressure, below what laminar flow would be, by halving: mL/s. */
function turbulentFlow(tube: Bore, a: number, b: number, kPa: number, laminar: number): number {
  let [low, high] = [0, laminar]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (takes(tube, a, b, middle) > kPa) high = middle
    else low = middle
  }
  return (low + high) / 2
}
/** One way between two cells. Flow is above 0 from `from` to `to`. */
export class Link {
  readonly from: number
  readonly to: number
  out: Resistance
  back: Resistance | 'none'
  readonly cracksKPa: number
  readonly backCracksKPa: number
  takesOut: Takes
  takesBack: Takes
  readonly bore: Bore | undefined
  /** What a pump in it adds. */
  boostKPa = 0
  /** 0 shut, 1 open; between, so much of its section. */
  open = 1
  /** The same of the way out alone: what comes back passes by a lip. */
  outOpen = 1
  /** mL/s of the last step. */
  flow = 0
  /** mL/s of a pass, and how it grows with pressure. */
  trialFlow = 0
  trialSlope = 0
  /** What holds for a whole step, how far open it is counted in: laminar and square part out, and back. Nothing passes what takes infinitely much. */
  private outLaminar = 0
  private outSquare = 0
  private backLaminar = 0
  private backSquare = 0

  constructor(shape: LinkShape) {
    this.from = shape.from
    this.to = shape.to
    this.out = shape.out
    this.back = shape.back ?? shape.out
    this.cracksKPa = shape.cracksKPa ?? 0
    this.backCracksKPa = shape.backCracksKPa ?? 0
    this.takesOut = shape.takesOut ?? 'mixed'
    this.takesBack = shape.takesBack ?? 'mixed'
    this.bore = shape.bore
  }

  /** Before a step's first pass. @returns whether anything can pass at all */
  begin(): boolean {
    const { open, outOpen, out, back } = this
    if (open === 0 || (outOpen === 0 && back === 'none')) return false
    const part = 1 / (open * open)
    const outPart = part / (outOpen * outOpen)
    this.outLaminar = outOpen === 0 ? Number.POSITIVE_INFINITY : out.laminar * outPart
    this.outSquare = outOpen === 0 ? 0 : out.square * outPart
    this.backLaminar = back === 'none' ? Number.POSITIVE_INFINITY : back.laminar * part
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
    let root = Math.sqrt(a * a + 4 * b * drives)
    let flow = (2 * drives) / (a + root)
    if (this.bore && reynoldsOf(this.bore, flow) > LAMINAR_REYNOLDS) {
      flow = turbulentFlow(this.bore, a, b, drives, flow)
      root = takesMore(this.bore, a, b, flow)
    }
    this.trialFlow = outwards ? flow : -flow
    this.trialSlope = (opened * (2 - opened)) / root
  }
}
