/** A piston that something presses: where it stands follows from the pressure before it. */
export type Piston = {
  areaMm2: number
  strokeMm: number
  /** A ring around it that moves along over the first of its stroke, with a pressure of its own. */
  ring?: { areaMm2: number; strokeMm: number; kPa: number }
  springN: number
  springNPerMm: number
  damperNsPerMm: number
  /** Pressed with this now. */
  forceN: number
  atMm: number
}

/** Where it stands after a step, the pressure before it given: the less, the higher that is. */
export function standsAtMm(piston: Piston, kPa: number, dt: number): number {
  const { ring, strokeMm, springNPerMm } = piston
  const drag = piston.damperNsPerMm / dt
  const pressesN = piston.forceN - piston.springN + piston.atMm * drag - kPa * piston.areaMm2 * 1e-3
  const gives = springNPerMm + drag
  const free = Math.min(strokeMm, pressesN / gives)
  if (ring === undefined) return Math.max(0, free)
  // Until its ring has made its stroke that presses back too; there it may stand between both.
  const withRing = (pressesN - ring.kPa * ring.areaMm2 * 1e-3) / gives
  return withRing < ring.strokeMm ? Math.max(0, withRing) : Math.max(ring.strokeMm, free)
}

/** What is left before it, mL. */
export const leftMl = ({ areaMm2, strokeMm }: Piston, atMm: number): number =>
  (areaMm2 * (strokeMm - atMm)) / 1000

/** What is left before its ring, mL. */
export const leftInRingMl = ({ ring }: Piston, atMm: number): number =>
  ring === undefined ? 0 : (ring.areaMm2 * Math.max(0, ring.strokeMm - atMm)) / 1000

/** How far it gives way for each newton against it, mm/N; not at all where it stands against something. */
export function givesMmPerN(piston: Piston, atMm: number, dt: number): number {
  if (atMm <= 0 || atMm >= piston.strokeMm || atMm === piston.ring?.strokeMm) return 0
  return 1 / (piston.springNPerMm + piston.damperNsPerMm / dt)
}

/** Whether its ring still moves with it. */
export const ringMoves = ({ ring }: Piston, atMm: number): boolean =>
  ring !== undefined && atMm < ring.strokeMm
