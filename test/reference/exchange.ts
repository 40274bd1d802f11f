import { convert } from 'convert'
import jStat from 'jstat'
import { drawDownSavingMl } from '~core/physics/exchange/draw-down'
import { laminarOutletShare } from '~core/physics/exchange/laminar-tail'
import { massBalance } from '~core/physics/exchange/mass-balance'
import { purge } from '~core/physics/exchange/purge'
import { cornerMeanShare, cornerOutletShare } from '~core/physics/exchange/reservoir-carry'
import { tanksOutletShare } from '~core/physics/exchange/tanks-in-series'
import { topUp } from '~core/physics/exchange/top-up'
import { wearDrop } from '~core/physics/exchange/wear-drop'
import { Solver } from '~test/worlds/odex'
import type { Check } from './check'
import { outletByOde } from './outlet-by-ode'

/** What is still drawn from a reservoir of 400 mL, flushed with new until a tenth is old, by an ODE solver. */
function flushedMl(shareLeft: number): number {
  const solver = new Solver(1)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10
  // Volume as the unknown over the share: dq/df = −V/f.
  return solver.solve((share) => [-400 / share], 1, [0], shareLeft).y[0] ?? Number.NaN
}

/** Laminar flow, ring by ring: at θ volumes a ring at radius r ends old while 2θ·(1 − r²) is below 1; by an ODE solver. */
function laminarByRadius(volumes: number): number {
  const solver = new Solver(1)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10
  // Flow through rings, of all flow 1: dQ = 4·r·(1 − r²) dr, from the innermost ring that is still old to the wall.
  const innermost = Math.sqrt(1 - 1 / (2 * volumes))
  return solver.solve((r) => [4 * r * (1 - r * r)], innermost, [0], 1).y[0] ?? Number.NaN
}

export const exchangeChecks: readonly Check[] = [
  ...[1, 3, 12].map(
    (tanks): Check => ({
      calculator: 'purge',
      what: `volumes until 5 % is old at the outlet of ${tanks} tank(s)`,
      kind: 'library',
      source: 'jStat, upper tail of a gamma distribution',
      ours: purge({ volumeMl: 80, tanks, targetOldPct: 5 }).volumes,
      theirs: jStat.gamma.inv(0.95, tanks, 1 / tanks),
      withinShare: 1e-6,
    }),
  ),
  {
    calculator: 'purge',
    what: 'outlet of three tanks after two volumes',
    kind: 'closed form',
    source: 'e⁻⁶·(1 + 6 + 18), three stirred tanks by hand (Levenspiel)',
    ours: tanksOutletShare(2, 3),
    theirs: Math.exp(-6) * 25,
    withinShare: 1e-12,
  },
  {
    calculator: 'purge',
    what: 'mean left in the same three tanks',
    kind: 'closed form',
    source: 'e⁻⁶·(1 + 7 + 25)/3, mean of the three by hand',
    ours: cornerMeanShare(200, 0, 80, 160),
    theirs: (Math.exp(-6) * (1 + 7 + 25)) / 3,
    withinShare: 1e-12,
  },
  {
    calculator: 'purge',
    what: 'laminar tail after three volumes',
    kind: 'library',
    source: 'odex, radius by radius: what the slow wall still holds back',
    ours: laminarOutletShare(3),
    theirs: laminarByRadius(3),
    withinShare: 1e-6,
  },
  ...(
    [
      [400, 0.6, 90, 200],
      [240, 1, 240 * 3, 300],
      [50, 0.3, 20, 400],
    ] as const
  ).map(
    ([reservoirMl, share, volumeMl, throughMl]): Check => ({
      calculator: 'purge',
      what: `${reservoirMl} mL reservoir ${share * 100} % old, ${volumeMl} mL corner, ${throughMl} mL through`,
      kind: 'library',
      source: 'odex, four differential equations',
      ours: cornerOutletShare(reservoirMl, share, volumeMl, throughMl),
      theirs: outletByOde(reservoirMl, share, volumeMl, throughMl),
      withinShare: 1e-4,
    }),
  ),
  {
    calculator: 'purge',
    what: 'saved by drawing 400 mL down to a tenth, mL',
    kind: 'library',
    source: 'odex, flushing it through instead, less the filling',
    ours: drawDownSavingMl(400, 0.1),
    theirs: flushedMl(0.1) - 400 * 0.9,
    withinShare: 1e-6,
  },
  {
    calculator: 'top-up',
    what: 'strokes of 7.5 mL in 160 mL',
    kind: 'closed form',
    source: 'whole part of 160/7.5',
    ours: topUp({ usableMl: 160, mlPerStroke: 7.5 }).strokes,
    theirs: 21,
    withinShare: 0,
  },
  {
    calculator: 'top-up',
    what: 'strokes of 0.1 mL in 0.3 mL, which no binary fraction holds',
    kind: 'closed form',
    source: '3 by hand',
    ours: topUp({ usableMl: 0.3, mlPerStroke: 0.1 }).strokes,
    theirs: 3,
    withinShare: 0,
  },
  {
    calculator: 'wear-drop',
    what: '54 mm piston 10 mm further out, mL',
    kind: 'closed form',
    source: 'π·2.7²·1 cm³, by hand',
    ours: wearDrop({ pistons: [{ diameterMm: 54, count: 1 }], wearMm: 10 }).ml,
    theirs: Math.PI * 2.7 ** 2,
    withinShare: 1e-12,
  },
  {
    calculator: 'wear-drop',
    what: 'two pistons of 1.5 in, a quarter inch out, mL',
    kind: 'library',
    source: 'convert, cubic inches to millilitres',
    ours: wearDrop({
      pistons: [{ diameterMm: convert(1.5, 'inches').to('millimeters'), count: 2 }],
      wearMm: convert(0.25, 'inches').to('millimeters'),
    }).ml,
    theirs: convert(2 * (Math.PI / 4) * 1.5 ** 2 * 0.25, 'cubic inches').to('millilitres'),
    withinShare: 1e-6,
  },
  {
    calculator: 'mass balance',
    what: '500 in, 380 out, 20 spilled: held, mL',
    kind: 'closed form',
    source: 'arithmetic',
    ours: massBalance({ inMl: 500, outMl: 380, spilledMl: 20, unaccountedMl: 0 }).heldMl,
    theirs: 100,
    withinShare: 0,
  },
]
