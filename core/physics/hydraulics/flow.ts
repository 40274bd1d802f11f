import { crossing } from '../../base/solve'
import { frictionFactor, LAMINAR_REYNOLDS } from './friction'
import type { TubeSegment } from './tube'

const GRAVITY_M_PER_S2 = 9.80665
const M3_PER_S_TO_ML_PER_MIN = 60e6
/** Of a sharp-edged hole. */
export const ORIFICE_COEFFICIENT = 0.61

/** A liquid as a line sees it. */
export type Liquid = { mm2PerS: number; densityKgM3: number }

/** Resistance of pieces in series to laminar flow, Pa·s/m³. @source Hagen–Poiseuille */
export function laminarResistance(
  segments: readonly TubeSegment[],
  { mm2PerS, densityKgM3 }: Liquid,
): number {
  // Lengths in metres over bores in millimetres to the fourth, put right to metres once at the end.
  let perBore = 0
  for (const { lengthM, boreMm } of segments) perBore += lengthM / (boreMm * boreMm * boreMm * boreMm)
  const viscosityPaS = mm2PerS * 1e-6 * densityKgM3
  return ((128 * viscosityPaS * 1e12) / Math.PI) * perBore
}

/** Pressure a column of fluid adds, kPa; positive where the source stands higher. */
export const headKPa = (headM: number, densityKgM3: number): number =>
  (densityKgM3 * GRAVITY_M_PER_S2 * headM) / 1000

/** Reynolds number in one bore at a flow; laminar below about 2300. */
export function reynoldsNumber(mlPerMin: number, boreMm: number, mm2PerS: number): number {
  const flow = mlPerMin / M3_PER_S_TO_ML_PER_MIN
  return (4 * flow) / (Math.PI * boreMm * 1e-3 * mm2PerS * 1e-6)
}

/** The largest Reynolds number along a run: that of its narrowest bore. */
export function highestReynolds(segments: readonly TubeSegment[], mlPerMin: number, mm2PerS: number): number {
  let narrowestMm = Number.POSITIVE_INFINITY
  for (const { boreMm } of segments) narrowestMm = Math.min(narrowestMm, boreMm)
  return reynoldsNumber(Math.abs(mlPerMin), narrowestMm, mm2PerS)
}

/** Pressure one piece takes at a flow, kPa: Darcy–Weisbach with the friction of its own Reynolds number. */
export function dropKPa(segment: TubeSegment, mlPerMin: number, liquid: Liquid): number {
  const reynolds = reynoldsNumber(mlPerMin, segment.boreMm, liquid.mm2PerS)
  const laminar = (laminarResistance([segment], liquid) * mlPerMin) / M3_PER_S_TO_ML_PER_MIN / 1000
  // Darcy–Weisbach over Hagen–Poiseuille is f·Re/64: the same pressure where the flow is laminar.
  return reynolds <= LAMINAR_REYNOLDS ? laminar : (laminar * frictionFactor(reynolds) * reynolds) / 64
}

/** Pressure an orifice takes at a flow, kPa: (ρ/2)·(Q/(Cd·A))². */
export function orificeDropKPa(orificeMm: number, mlPerMin: number, densityKgM3: number): number {
  const area = (Math.PI / 4) * (orificeMm * 1e-3) ** 2
  const speed = mlPerMin / M3_PER_S_TO_ML_PER_MIN / (ORIFICE_COEFFICIENT * area)
  return ((densityKgM3 / 2) * speed ** 2) / 1000
}

/**
 * Flow through lines in series and, where a bleeder ends them, its orifice.
 *
 * Laminar lines take pressure in proportion to the flow, the orifice to its square, turbulent lines to the power 1.75:
 * all are solved together. Worked: 4.5 m of 3.34 mm bore, 103.42 kPa, 0.0165 Pa·s → 255 mL/min.
 *
 * @param pressureKPa driving difference; below 0 it runs back and the answer is negative
 * @param orificeMm bleeder's cross hole; left out, the line ends open
 * @returns mL/min
 * @source Hagen–Poiseuille; Blasius 1913 above laminar; sharp-edged orifice with Cd 0.61
 */
export function flowMlPerMin(
  segments: readonly TubeSegment[],
  pressureKPa: number,
  liquid: Liquid,
  orificeMm?: number,
): number {
  if (pressureKPa === 0) return 0
  if (pressureKPa < 0) return -flowMlPerMin(segments, -pressureKPa, liquid, orificeMm)
  const laminar = laminarFlow(segments, pressureKPa, liquid, orificeMm)
  if (highestReynolds(segments, laminar, liquid.mm2PerS) <= LAMINAR_REYNOLDS) return laminar
  // Turbulence only ever takes more pressure, so the true flow lies below the laminar one.
  const taken = (mlPerMin: number) =>
    segments.reduce((sum, segment) => sum + dropKPa(segment, mlPerMin, liquid), 0) +
    (orificeMm === undefined ? 0 : orificeDropKPa(orificeMm, mlPerMin, liquid.densityKgM3))
  return crossing(taken, pressureKPa, 0, laminar)
}

function laminarFlow(
  segments: readonly TubeSegment[],
  pressureKPa: number,
  liquid: Liquid,
  orificeMm: number | undefined,
): number {
  const resistance = laminarResistance(segments, liquid)
  const dropPa = pressureKPa * 1000
  if (orificeMm === undefined) return (dropPa / resistance) * M3_PER_S_TO_ML_PER_MIN
  const area = (Math.PI / 4) * (orificeMm * 1e-3) ** 2
  const quadratic = liquid.densityKgM3 / 2 / (ORIFICE_COEFFICIENT * area) ** 2
  // The positive root, written so that a long thin line (quadratic part vanishing) loses no digits.
  const flow = (2 * dropPa) / (resistance + Math.sqrt(resistance ** 2 + 4 * quadratic * dropPa))
  return flow * M3_PER_S_TO_ML_PER_MIN
}
