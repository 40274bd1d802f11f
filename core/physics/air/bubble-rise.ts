import { ImpossibleInput } from '../../base/fault'

const GRAVITY_M_PER_S2 = 9.80665
/** Above it a bubble drags a wake and rises slower than Stokes says. */
const STOKES_REYNOLDS = 1

/**
 * How long a fine bubble takes to rise through still fluid: v = g·d²/(18·ν), a rigid sphere.
 *
 * Clean bubbles rise up to 1.5 times as fast, so waiting this long is on the safe side. A 0.2 mm bubble takes about
 * 43 s through 60 mm of DOT 4 at 20 °C, a 0.1 mm bubble about 3 min.
 *
 * @param bubbleMm diameter; Stokes's law is good to about 0.75 mm there
 * @returns `withinStokes` is false for a bubble too large (or a fluid too thin) for the law: the time is then too short
 * @throws ImpossibleInput with the field at fault
 * @source Stokes's law
 */
export function bubbleRise(input: { bubbleMm: number; depthMm: number; mm2PerS: number }): {
  seconds: number
  mmPerS: number
  withinStokes: boolean
} {
  const { bubbleMm, depthMm, mm2PerS } = input
  if (!(bubbleMm > 0)) throw new ImpossibleInput('bubbleMm', 'give a bubble above 0 mm')
  if (!(depthMm >= 0)) throw new ImpossibleInput('depthMm', 'give a depth of 0 mm or more')
  if (!(mm2PerS > 0)) throw new ImpossibleInput('mm2PerS', 'give a viscosity above 0 mm²/s')
  // mm² over mm²/s is s, so metres per second squared leave metres per second.
  const mmPerS = ((GRAVITY_M_PER_S2 * bubbleMm ** 2) / (18 * mm2PerS)) * 1000
  const reynolds = (mmPerS * bubbleMm) / mm2PerS
  return { seconds: depthMm / mmPerS, mmPerS, withinStokes: reynolds <= STOKES_REYNOLDS }
}
