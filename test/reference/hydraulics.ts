import { linearRegression, linearRegressionLine } from 'simple-statistics'
import { fluids } from '~core/fluid/specs'
import { usualBleeder } from '~core/physics/hydraulics/bleeder'
import { densityKgM3 } from '~core/physics/hydraulics/density'
import { flowMlPerMin, headKPa, orificeDropKPa } from '~core/physics/hydraulics/flow'
import { frictionFactor } from '~core/physics/hydraulics/friction'
import { restriction } from '~core/physics/hydraulics/restriction'
import { viscosityMm2PerS } from '~core/physics/hydraulics/viscosity'
import { Solver } from '~test/worlds/odex'
import type { Check } from './check'

const dot4 = [
  { tempC: -40, mm2PerS: 1300 },
  { tempC: 100, mm2PerS: 2.1 },
] as const
const liquid = { mm2PerS: 16.5e-3 / 1060 / 1e-6, densityKgM3: 1060 }
const line = { lengthM: 4.5, boreMm: 3.34 }
const hose = { lengthM: 0.4, boreMm: 3.34 }

/** A straight line through the two points on D341's own paper, by a regression library. */
function viscosityByRegression(tempC: number): number {
  const paper = dot4.map(({ tempC: c, mm2PerS }) => [
    Math.log10(c + 273.15),
    Math.log10(Math.log10(mm2PerS + 0.7)),
  ])
  return 10 ** (10 ** linearRegressionLine(linearRegression(paper))(Math.log10(tempC + 273.15))) - 0.7
}

/** A line full of resting fluid, set going by a pressure: the flow it settles at, by an ODE solver. */
function settledMlPerMin(takesKPa: (mlPerMin: number) => number, pressureKPa: number): number {
  const solver = new Solver(1)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10
  solver.maxSteps = 1e6
  const settled = solver.solve((_x, [flow = 0]) => [pressureKPa - takesKPa(flow)], 0, [0], 400)
  return settled.y[0] ?? Number.NaN
}
/** Pressure a tube and a hole take in SI units, written down here anew. */
const tubeKPa = ({ lengthM, boreMm }: typeof line, mlPerMin: number) =>
  ((128 * 16.5e-3 * lengthM * mlPerMin) / 60e6 / (Math.PI * (boreMm * 1e-3) ** 4)) * 1e-3
const holeKPa = (boreMm: number, mlPerMin: number) =>
  (1060 / 2) * (mlPerMin / 60e6 / (0.61 * Math.PI * (boreMm * 0.5e-3) ** 2)) ** 2 * 1e-3
const narrowed = { ...hose, boreMm: 1.5 }
const throughNarrowed = settledMlPerMin((q) => tubeKPa(line, q) + tubeKPa(narrowed, q), 100)
const { passage, holeMm } = usualBleeder

export const hydraulicsChecks: readonly Check[] = [
  {
    calculator: 'viscosity',
    what: 'DOT 4 of 1300 and 2.1 mm²/s, at 20 °C, mm²/s',
    kind: 'library',
    source: 'simple-statistics, a line on D341’s paper',
    ours: viscosityMm2PerS(dot4, 20),
    theirs: viscosityByRegression(20),
    withinShare: 1e-9,
  },
  ...[-20, 0, 60].map(
    (tempC): Check => ({
      calculator: 'viscosity',
      what: `the same at ${tempC} °C, mm²/s`,
      kind: 'library',
      source: 'simple-statistics, a line on D341’s paper',
      ours: viscosityMm2PerS(dot4, tempC),
      theirs: viscosityByRegression(tempC),
      withinShare: 1e-9,
    }),
  ),
  {
    calculator: 'viscosity',
    what: 'density of DOT 4 at 100 °C, kg/m³',
    kind: 'closed form',
    source: '1060·(1 − 0.00075·80)',
    ours: densityKgM3(fluids['DOT 4'], 100),
    theirs: 996.4,
    withinShare: 1e-9,
  },
  {
    calculator: 'flow',
    what: '4.5 m of 3.34 mm tube, 15 psi, 0.0165 Pa·s, mL/min',
    kind: 'closed form',
    source: 'Hagen–Poiseuille by hand, in SI units',
    ours: flowMlPerMin([line], 103.42, liquid),
    theirs: 103.42 / tubeKPa(line, 1),
    withinShare: 1e-9,
  },
  {
    calculator: 'flow',
    what: 'the same line by 0.6 m of gravity, mL/min',
    kind: 'closed form',
    source: 'π·d⁴·ρ·g·h/(128·μ·L)',
    ours: flowMlPerMin([line], headKPa(0.6, 1060), liquid),
    theirs: ((Math.PI * 3.34e-3 ** 4 * 1060 * 9.80665 * 0.6) / (128 * 16.5e-3 * 4.5)) * 60e6,
    withinShare: 1e-9,
  },
  {
    calculator: 'flow',
    what: 'line, bleeder passage and 1.5 mm hole at 100 kPa, mL/min',
    kind: 'library',
    source: 'odex, the flow it settles at from rest',
    ours: flowMlPerMin([line, passage], 100, liquid, holeMm),
    theirs: settledMlPerMin((q) => tubeKPa(line, q) + tubeKPa(passage, q) + holeKPa(holeMm, q), 100),
    withinShare: 1e-6,
  },
  ...[1, 1.5, 2].map(
    (boreMm): Check => ({
      calculator: 'flow',
      what: `pressure a ${boreMm} mm hole takes at 255 mL/min, kPa`,
      kind: 'closed form',
      source: 'sharp-edged orifice, Cd 0.61, by hand in SI units',
      ours: orificeDropKPa(boreMm, 255, 1060),
      theirs: holeKPa(boreMm, 255),
      withinShare: 1e-9,
    }),
  ),
  {
    calculator: 'flow',
    what: 'Darcy friction factor of a smooth tube at Reynolds 10 000',
    kind: 'published, recalled',
    source: 'Moody chart, smooth tube: 0.031',
    ours: frictionFactor(10_000),
    theirs: 0.031,
    withinShare: 0.03,
  },
  {
    calculator: 'restriction',
    what: 'bore left where a 0.4 m hose halves the line’s flow, mm',
    kind: 'closed form',
    source: 'the hose takes 1 + 4.5/0.4 times what it took: d/(1 + 11.25)^¼, by hand',
    ours: restriction({
      segments: [{ ...line, lengthM: 4.1 }, hose],
      pressureKPa: 103.42,
      mlPerMin: flowMlPerMin([line], 103.42, liquid) / 2,
      ...liquid,
    }).effectiveBoreMm,
    theirs: 3.34 / (1 + 4.5 / 0.4) ** 0.25,
    withinShare: 1e-6,
  },
  {
    calculator: 'restriction',
    what: 'the same halved by a pinch of 20 mm, mm',
    kind: 'closed form',
    source: '(128·μ·L/(π·R))^¼ with R = R of the whole line',
    ours: restriction({
      segments: [
        { ...line, lengthM: 4.48 },
        { lengthM: 0.02, boreMm: 3.34 },
      ],
      pressureKPa: 103.42,
      mlPerMin: flowMlPerMin([line], 103.42, liquid) / 2,
      ...liquid,
    }).effectiveBoreMm,
    theirs: 3.34 * (0.02 / (2 * 4.5 - 4.48)) ** 0.25,
    withinShare: 1e-6,
  },
  {
    calculator: 'restriction',
    what: 'a hose narrowed to 1.5 mm, found from the flow it lets through, mm',
    kind: 'library',
    source: 'odex, the flow it settles at from rest',
    ours: restriction({ segments: [line, hose], pressureKPa: 100, mlPerMin: throughNarrowed, ...liquid })
      .effectiveBoreMm,
    theirs: 1.5,
    withinShare: 1e-6,
  },
]
