import jStat from 'jstat'
import { linearRegression } from 'simple-statistics'
import { bubbleRise } from '~core/physics/air/bubble-rise'
import { bubbleSticks } from '~core/physics/air/bubble-sticks'
import { pedalFeel } from '~core/physics/air/pedal-feel'
import { squeezedShare, trappedAir } from '~core/physics/air/trapped-air'
import { Solver } from '~test/worlds/odex'
import type { Check } from './check'

const cylinder = { boreMm: 23.8, pedalRatio: 4 }
const areaMm2 = (Math.PI / 4) * 23.8 ** 2

/** One mL of air squeezed step by step, dV/dP = −V/P, by an ODE solver. */
function squeezedByOde(pressureKPa: number): number {
  const solver = new Solver(1)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10
  const end = solver.solve(
    (pressure, [volume = 0]) => [-volume / pressure],
    101.325,
    [1],
    101.325 + pressureKPa,
  )
  return 1 - (end.y[0] ?? Number.NaN)
}

/** A bubble let go from rest: the speed at which Stokes's drag holds its lift, by an ODE solver; mm/s. */
function settledRise(bubbleMm: number, mm2PerS: number): number {
  const solver = new Solver(1)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10
  const lift = 9806.65
  const drag = (18 * mm2PerS) / bubbleMm ** 2
  return solver.solve((_t, [speed = 0]) => [lift - drag * speed], 0, [0], 40 / drag).y[0] ?? Number.NaN
}

/** Swelling alone is a straight line: what a regression library makes of travel over pressure. */
const swollen = [160, 400, 1500, 4000].map((pressureKPa) => ({
  pressureKPa,
  travelMm: (((1.2 * pressureKPa) / 1000 + 0.8) / (areaMm2 / 1000)) * 4,
}))
const slopeMmPerKPa = linearRegression(swollen.map((each) => [each.pressureKPa, each.travelMm])).m

/** Six efforts read roughly: what a library's least squares makes of them, clearance as its constant. */
const noisy = [160, 300, 600, 1200, 2500, 4000].map((pressureKPa, i) => ({
  pressureKPa,
  travelMm:
    (((1.6 * pressureKPa) / (pressureKPa + 101.325) + (0.4 * pressureKPa) / 1000 + 0.9) / (areaMm2 / 1000)) *
      4 +
    ([0.3, -0.25, 0.1, 0.28, -0.3, 0.05][i] ?? 0),
}))
const mlPerMm = areaMm2 / 1000 / 4
const byLibrary = jStat.models.ols(
  noisy.map(({ travelMm }) => travelMm * mlPerMm),
  noisy.map(({ pressureKPa }) => [pressureKPa / (pressureKPa + 101.325), pressureKPa / 1000, 1]),
)
const separated = pedalFeel({ ...cylinder, efforts: noisy, travelErrorMm: 0.5, gaugeErrorPct: 0 }).value

export const airChecks: readonly Check[] = [
  {
    calculator: 'pedal feel',
    what: 'air from six efforts read within 0.5 mm, mL',
    kind: 'library',
    source: 'jStat, ordinary least squares',
    ours: separated.airMl ?? Number.NaN,
    theirs: byLibrary.coef[0] ?? Number.NaN,
    withinShare: 1e-6,
  },
  {
    calculator: 'pedal feel',
    what: 'how far nine of ten of it are off, mL',
    kind: 'library',
    source: 'jStat: standard error by its own scatter, rescaled to 0.5 mm/1.645 a reading, times 1.645',
    ours: separated.airErrorMl ?? Number.NaN,
    theirs:
      ((byLibrary.t.se[0] ?? Number.NaN) / Math.sqrt(byLibrary.SSR / byLibrary.df_resid)) * 0.5 * mlPerMm,
    withinShare: 1e-6,
  },
  {
    calculator: 'trapped-air',
    what: 'pedal that 1 mL behind 23.8 mm at ratio 4 costs, mm',
    kind: 'closed form',
    source: 'all of it squeezed away: 1 mL over the bore’s area, times 4',
    ours: 9 / trappedAir({ ...cylinder, extraTravelMm: 9, pressureKPa: 1e9 }).airMl,
    theirs: (1000 / areaMm2) * 4,
    withinShare: 1e-6,
  },
  {
    calculator: 'trapped-air',
    what: 'share of its volume that 400 kPa takes',
    kind: 'library',
    source: 'odex, dV/dP = −V/P',
    ours: squeezedShare(400),
    theirs: squeezedByOde(400),
    withinShare: 1e-7,
  },
  {
    calculator: 'trapped-air',
    what: 'swelling of 1.2 mL/MPa from four efforts without air, mL/MPa',
    kind: 'library',
    source: 'simple-statistics, slope of travel over pressure',
    ours:
      pedalFeel({ ...cylinder, efforts: swollen, travelErrorMm: 0.5, gaugeErrorPct: 3 }).value
        .swellingMlPerMPa ?? Number.NaN,
    theirs: (slopeMmPerKPa * 1000 * areaMm2) / 1000 / 4,
    withinShare: 1e-6,
  },
  {
    calculator: 'bubble-rise',
    what: '0.2 mm through 60 mm at 15.5 mm²/s, s',
    kind: 'closed form',
    source: 'Stokes by hand: 18·ν·h/(g·d²)',
    ours: bubbleRise({ bubbleMm: 0.2, depthMm: 60, mm2PerS: 15.5 }).seconds,
    theirs: (18 * 15.5e-6 * 0.06) / (9.80665 * 0.2e-3 ** 2),
    withinShare: 1e-9,
  },
  {
    calculator: 'bubble-rise',
    what: 'speed of a 0.1 mm bubble in it, mm/s',
    kind: 'library',
    source: 'odex, lift against drag from rest',
    ours: bubbleRise({ bubbleMm: 0.1, depthMm: 60, mm2PerS: 15.5 }).mmPerS,
    theirs: settledRise(0.1, 15.5),
    withinShare: 1e-6,
  },
  {
    calculator: 'bubble-sticks',
    what: 'widest tube in which a long air bubble stays in water, mm',
    kind: 'published, recalled',
    source: 'Bretherton 1961; about 5 mm in water at 20 °C (0.0728 N/m)',
    ours:
      2 * Math.sqrt(0.842 / bubbleSticks({ boreMm: 2, densityKgM3: 998, surfaceTensionNM: 0.0728 }).number),
    theirs: 5,
    withinShare: 0.01,
  },
  {
    calculator: 'bubble-sticks',
    what: 'ρ·g·r²/σ of a 3.34 mm tube with glycol fluid',
    kind: 'closed form',
    source: '1060·9.80665·0.00167²/0.035',
    ours: bubbleSticks({ boreMm: 3.34, densityKgM3: 1060, surfaceTensionNM: 0.035 }).number,
    theirs: (1060 * 9.80665 * 0.00167 ** 2) / 0.035,
    withinShare: 1e-12,
  },
]
