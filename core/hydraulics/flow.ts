import type { TubeSegment } from './tube'

const GRAVITY_M_PER_S2 = 9.80665
const M3_PER_S_TO_ML_PER_MIN = 60e6
const ORIFICE_COEFFICIENT = 0.61

/** A liquid as a line sees it. */
export type Liquid = { mm2PerS: number; densityKgM3: number }

/** Resistance of pieces in series to laminar flow, Pa·s/m³. @source Hagen–Poiseuille */
export function laminarResistance(
  segments: readonly TubeSegment[],
  { mm2PerS, densityKgM3 }: Liquid,
): number {
  const viscosityPaS = mm2PerS * 1e-6 * densityKgM3
  return segments.reduce(
    (sum, { lengthM, boreMm }) => sum + (128 * viscosityPaS * lengthM) / (Math.PI * (boreMm * 1e-3) ** 4),
    0,
  )
}

/** Pressure a column of fluid adds, kPa; positive where the source stands higher. */
export const headKPa = (headM: number, densityKgM3: number): number =>
  (densityKgM3 * GRAVITY_M_PER_S2 * headM) / 1000

/**
 * Flow through lines in series and, where a bleeder ends them, its orifice.
 *
 * The lines take pressure in proportion to the flow, the orifice to its square, so both are solved together:
 * ΔP = R·Q + (ρ/2)·(Q/(Cd·A))². Worked: 4.5 m of 3.34 mm bore, 103.42 kPa, 0.0165 Pa·s → 255 mL/min.
 *
 * @param pressureKPa driving difference, above 0; the answer is 0 where nothing drives
 * @param orificeMm bleeder's cross hole; left out, the line ends open
 * @returns mL/min
 * @source Hagen–Poiseuille; sharp-edged orifice with Cd 0.61
 */
export function flowMlPerMin(
  segments: readonly TubeSegment[],
  pressureKPa: number,
  liquid: Liquid,
  orificeMm?: number,
): number {
  if (pressureKPa <= 0) return 0
  const resistance = laminarResistance(segments, liquid)
  const dropPa = pressureKPa * 1000
  if (orificeMm === undefined) return (dropPa / resistance) * M3_PER_S_TO_ML_PER_MIN
  const area = (Math.PI / 4) * (orificeMm * 1e-3) ** 2
  const quadratic = liquid.densityKgM3 / 2 / (ORIFICE_COEFFICIENT * area) ** 2
  // The positive root, written so that a long thin line (quadratic part vanishing) loses no digits.
  const flow = (2 * dropPa) / (resistance + Math.sqrt(resistance ** 2 + 4 * quadratic * dropPa))
  return flow * M3_PER_S_TO_ML_PER_MIN
}

/** Reynolds number in one bore at a flow; laminar below about 2300. */
export function reynoldsNumber(mlPerMin: number, boreMm: number, mm2PerS: number): number {
  const flow = mlPerMin / M3_PER_S_TO_ML_PER_MIN
  return (4 * flow) / (Math.PI * boreMm * 1e-3 * mm2PerS * 1e-6)
}
