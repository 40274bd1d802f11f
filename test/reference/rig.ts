import jStat from 'jstat'
import { Cell } from '~core/rig/cell'
import { Link, ofTubes, type Resistance } from '~core/rig/link'
import { Network } from '~core/rig/network'
import type { Rig } from '~core/rig/run'
import { Tube } from '~core/rig/tube'
import { Solver } from '~test/worlds/odex'
import { flowMlPerMin, halving, holePa, takesPa } from '../second/by-hand'
import { done, press, rigOf as requestRig } from '../worlds/rig-of'
import { carFile, vehicleFrom } from '../worlds/vehicles'
import type { Check, CheckKind } from './check'

/** One corner behind some pipe, so that sums can be done by hand. */
const rigOf = (more: object = {}, lengthM = 4): Rig =>
  requestRig(vehicleFrom(carFile([{ id: 'rr', position: 'rear-right', lengthM, circuit: 'A' }])), more)
const AREA_MM2 = Math.PI * 10 ** 2
const RATIO = 4
const LIQUID = { mm2PerS: 15.53, densityKgM3: 1060 }
const feed = { do: 'feed', reservoir: 'res', on: true }
const open = (lasts: number) => ({
  do: 'open',
  bleeder: 'rr',
  turns: 0.5,
  hose: 'under-fluid',
  for: lasts,
})
const check = (
  what: string,
  kind: CheckKind,
  source: string,
  [ours, theirs]: readonly [number, number],
  withinShare: number,
): Check => ({ calculator: 'rig', what, kind, source, ours, theirs, withinShare })

/**
 * Port of 0.7 mm beside the cup, which takes 5 kPa to fold, opens over the next 0.4 and then is a hole of 2.2 mm: what both
 * take together, Pa.
 */
function portPa(mlPerMin: number): number {
  const { mm2PerS, densityKgM3 } = LIQUID
  const through = (mm: number, kPa: number) =>
    kPa <= 0 ? 0 : flowMlPerMin([{ lengthM: 0.002, boreMm: mm }], kPa, mm2PerS, densityKgM3, mm)
  const both = (kPa: number) => {
    const beyond = Math.max(0, kPa - 5)
    return through(0.7, kPa) + through(2.2, beyond ** 2 / (beyond + 0.4))
  }
  return 1000 * halving(both, mlPerMin, 0, 2000)
}

/** Cup, pipe, brake (three volumes, two holes) and bleeder in series, by the usual sizes: mL/min. */
function flowByHand(drivingKPa: number): number {
  const { mm2PerS, densityKgM3 } = LIQUID
  const takes = (mlPerMin: number) =>
    takesPa([{ lengthM: 4, boreMm: 3.34 }], mlPerMin, mm2PerS, densityKgM3) +
    2 * takesPa([{ lengthM: 0.01, boreMm: 2.5 }], mlPerMin, mm2PerS, densityKgM3) +
    2 * holePa(2.5, mlPerMin, densityKgM3) +
    takesPa([{ lengthM: 0.01, boreMm: 1.5 }], mlPerMin, mm2PerS, densityKgM3) +
    holePa(1.5, mlPerMin, densityKgM3) +
    portPa(mlPerMin)
  return halving(takes, drivingKPa * 1000, 0, 5000)
}
function flowOnRig(kPa: number): number {
  const rig = done(rigOf(), feed, { do: 'pressurise', reservoir: 'res', kPa, for: 2 }, open(5))
  const before = rig.ledger.out
  return done(rig, { do: 'wait', for: 60 }).ledger.out - before
}
const HEAD_KPA = (1060 * 9.80665 * 0.6) / 1000

/** What a millilitre of air costs the pedal, mm, and what Boyle takes from it at the two pressures. */
function airTravel(effortN: number): [number, number] {
  const travel = (airMl: number) => {
    const rig = done(rigOf({ start: { airMl: { 'brake-rr': airMl } } }), press(effortN))
    return { mm: rig.pedalMm('mc'), kPa: rig.assembly.at(rig.assembly.chambers[0]?.cell ?? 0).kPa }
  }
  const [without, withAir] = [travel(0), travel(1)]
  return [withAir.mm - without.mm, (((withAir.kPa / (withAir.kPa + 101.325)) * 1000) / AREA_MM2) * RATIO]
}

function sinks(kind: string, at: string): [number, number] {
  const rig = done(rigOf({ faults: [{ kind, at, mlPerMinPerMPa: 6 }] }), press(200, 4))
  const before = rig.pedalMm('mc')
  const { kPa } = rig.assembly.at(rig.assembly.chambers[0]?.cell ?? 0)
  done(rig, { do: 'wait', for: 10 })
  const mlPerS = (6 * (kPa / 1000)) / 60
  return [(rig.pedalMm('mc') - before) / 10, ((mlPerS * 1000) / AREA_MM2) * RATIO]
}

/** Old share of a reservoir of 400 mL kept full while a bleeder runs, and e^(−V/R). */
function stirred(): [number, number] {
  const rig = done(rigOf(), feed, { do: 'pressurise', reservoir: 'res', kPa: 80 }, open(120))
  const [tank] = rig.assembly.tanks
  return [(tank?.oldMl ?? 0) / (tank?.levelMl ?? 1), Math.exp(-rig.ledger.poured / 400)]
}

/** Old share of a brake at the end of next to no line once so many of its volumes of new have gone through. */
function threeTanks(volumes: number): [number, number] {
  const rig = rigOf({ start: { newIn: ['res', 'mc', 'line-rr', 'mc-A'] } }, 0.02)
  const inBrake = rig.assembly.cells.filter(({ of }) => of === 'brake-rr')
  const holdsMl = inBrake.reduce((sum, { liquidMl }) => sum + liquidMl, 0)
  // The last drops are what the last of the three volumes holds.
  done(rig, feed, { do: 'pressurise', reservoir: 'res', kPa: 20, for: 1 }, open(0.1))
  while (rig.ledger.out < volumes * holdsMl) done(rig, { do: 'wait', for: 0.02 })
  const through = rig.ledger.out / holdsMl
  return [inBrake.at(-1)?.oldShare ?? 1, 1 - jStat.gamma.cdf(through, 3, 1 / 3)]
}

/** Old share of what still stands in a tube after so many of its volumes of new, and the same of 1/(4θ²) from there on. */
function laminar(volumes: number): [number, number] {
  const tube = new Tube()
  tube.fill(10, 1)
  const stepMl = 0.02
  for (let through = 0; through < 10 * volumes - 1e-9; through += stepMl) {
    tube.push('near', stepMl, 0)
    tube.pop('far', stepMl)
  }
  return [tube.oldMl / 10, 1 / (4 * volumes)]
}

/** The widest line in which a bubble stays where it is, by trying lines, and Bretherton's 0.842 by hand, mm. */
function widestThatSticks(): [number, number] {
  const rises = (boreMm: number) => {
    const file = carFile([{ id: 'rr', position: 'rear-right', lengthM: 4, circuit: 'A' }])
    const lines = file.lines.map((line) => ({ ...line, segments: [{ lengthM: 4, boreMm, kind: 'tube' }] }))
    const rig = requestRig(vehicleFrom({ ...file, lines }))
    const low = rig.assembly.cells.findLast(({ tube }) => tube)
    if (low) low.airMl = 0.2
    done(rig, { do: 'wait', for: 60 })
    return (low?.airMl ?? 0) < 0.15 ? 1 : 0
  }
  const byHand = 2000 * Math.sqrt((0.842 * 0.035) / (LIQUID.densityKgM3 * 9.80665))
  return [halving(rises, 0.5, 2, 6), byHand]
}

/** Fine bubbles left after two minutes, as a share, and e^(−t·v/h) with Stokes's v by hand. */
function frothLeft(): [number, number] {
  const rig = rigOf()
  const [tank] = rig.assembly.tanks
  if (tank) tank.frothMl = 1
  done(rig, { do: 'wait', for: 120 })
  const mmPerS = ((9.80665 * 0.2 ** 2) / (18 * LIQUID.mm2PerS)) * 1000
  return [tank?.frothMl ?? 0, Math.exp((-120 * mmPerS) / 60)]
}

/** Pressure before a piston whose wider ring still moves along, and by hand with what lifts the ring's valve, kPa. */
function beforeARing(): [number, number] {
  const file = carFile([{ id: 'rr', position: 'rear-right', lengthM: 4, circuit: 'A' }])
  const parts = file.parts.map((part) =>
    'chambers' in part
      ? {
          ...part,
          chambers: part.chambers?.map((each) => ({ ...each, takeUp: { boreMm: 28, strokeMm: 12 } })),
        }
      : part,
  )
  const rig = done(requestRig(vehicleFrom({ ...file, parts })), press(300, 30))
  const cell = rig.assembly.at(rig.assembly.chambers[0]?.cell ?? 0)
  const ringMm2 = Math.PI * (14 ** 2 - 10 ** 2)
  const springN = 50 + 1.5 * (cell.piston?.atMm ?? 0)
  return [cell.kPa, ((300 * RATIO - springN) * 1000 - 500 * ringMm2) / AREA_MM2]
}

const cellOf = (wallMlPerKPa: number) => new Cell({ of: 'x', heightM: 0, baseMl: 0, wallMlPerKPa })
const WALLS = [0.01, 0.03, 0.02, 0.05, 0.04, 0.02]
const BEGAN_KPA = [400, 0, 90, 10, 250, 30]

/** Pressure of one cell after one step of a linear network of six, and by a library's inverse of the same matrix. */
function linearStep(pairs: readonly (readonly [number, number])[], cell: number): [number, number] {
  const cells = [...WALLS.map(cellOf), cellOf(0)]
  const links = pairs.map(([from, to], i) => new Link({ from, to, out: { laminar: 1 + i, square: 0 } }))
  for (const [i, kPa] of BEGAN_KPA.entries()) {
    const one = cells[i] as Cell
    one.kPa = kPa
    // Only walls hold anything here: what they hold at that pressure.
    one.liquidMl = one.wallMlPerKPa * kPa
  }
  const dt = 0.02
  new Network(cells, links, new Set([6]), 0).solve(dt)
  const matrix = WALLS.map((_, r) => WALLS.map((wall, c) => (r === c ? wall : 0)))
  const add = (row: number, column: number, value: number) => {
    const at = matrix[row]
    if (at && column < 6) at[column] = (at[column] ?? 0) + value
  }
  for (const [l, [a, b]] of pairs.entries()) {
    const g = dt / (1 + l)
    if (a < 6) add(a, a, g)
    if (b < 6) add(b, b, g)
    if (a < 6) add(a, b, -g)
    if (b < 6) add(b, a, -g)
  }
  const row = jStat.inv(matrix)[cell] ?? []
  const held = BEGAN_KPA.map((kPa, i) => (WALLS[i] ?? 0) * kPa)
  return [cells[cell]?.kPa ?? 0, row.reduce((sum, each, k) => sum + each * (held[k] ?? 0), 0)]
}
const TREE = [
  [0, 1],
  [1, 2],
  [1, 3],
  [3, 4],
  [3, 5],
  [5, 6],
] as const

/** A soft hose at 900 kPa that lets its pressure go through a hole for 0.2 s. */
function transient(): [number, number] {
  const hole: Resistance = { laminar: 0.5, square: 3 }
  const wall = 0.004
  const cell = cellOf(wall)
  const link = new Link({ from: 0, to: 1, out: hole })
  const network = new Network([cell, cellOf(0)], [link], new Set([1]), 0)
  cell.kPa = 900
  cell.liquidMl = wall * 900
  const dt = 1e-4
  for (let t = 0; t < 0.2 - 1e-9; t += dt) {
    network.solve(dt)
    cell.liquidMl -= link.flow * dt
  }
  const solver = new Solver(1)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10
  const flow = (kPa: number) => (2 * kPa) / (0.5 + Math.sqrt(0.25 + 12 * kPa))
  const theirs = solver.solve((_t, [kPa = 0]) => [-flow(Math.max(0, kPa)) / wall], 0, [900], 0.2).y[0] ?? 0
  return [cell.kPa, theirs]
}

/** Through 2 m of 3.34 mm pipe at a pressure that makes it turbulent, mL/s, and by Blasius in SI units. */
function turbulent(): [number, number] {
  const piece = { lengthM: 2, boreMm: 3.34 }
  const thin = { mm2PerS: 1.5, densityKgM3: 1000 }
  const bore = { boreMm: piece.boreMm, mm2PerS: thin.mm2PerS }
  const link = new Link({ from: 0, to: 1, out: ofTubes([piece], thin), bore })
  const [ahead, behind] = [cellOf(0), cellOf(0)]
  ahead.kPa = 60
  const network = new Network([ahead, behind], [link], new Set([0, 1]), 0)
  network.solve(0.01)
  const byHand = halving((ml) => takesPa([piece], ml, thin.mm2PerS, thin.densityKgM3), 60_000, 0, 60_000)
  return [link.flow, byHand / 60]
}

const SERIES = 'Hagen–Poiseuille and sharp-edged holes in series, by hand in SI units'
export const rigChecks: readonly Check[] = [
  check(
    'flow by 100 kPa on the reservoir, mL/min',
    'closed form',
    SERIES,
    [flowOnRig(100), flowByHand(100 + HEAD_KPA)],
    0.01,
  ),
  check(
    'flow by 0.6 m of gravity alone, mL/min',
    'closed form',
    `${SERIES}; Torricelli’s head`,
    [flowOnRig(0), flowByHand(HEAD_KPA)],
    0.01,
  ),
  check(
    'turbulent flow through 2 m of 3.34 mm pipe, mL/s',
    'closed form',
    'Blasius, by hand in SI units',
    turbulent(),
    0.01,
  ),
  ...[40, 100, 250].map((effortN) =>
    check(
      `pedal that a millilitre of air costs at ${effortN} N, mm`,
      'closed form',
      'Boyle: ratio · V · P/(P + P0) over the bore; the spring takes a little too',
      airTravel(effortN),
      0.12,
    ),
  ),
  check(
    'pedal sinks by a leak of 6 mL/min for each MPa, mm/s',
    'closed form',
    'ratio · flow over the bore',
    sinks('leak', 'line-rr'),
    0.03,
  ),
  check(
    'the same past the cylinder’s own seal, mm/s',
    'closed form',
    'ratio · flow over the bore',
    sinks('bypass', 'mc-A'),
    0.03,
  ),
  check(
    'old share of a reservoir kept full',
    'closed form',
    'Levenspiel, one stirred tank: e^(−V/R)',
    stirred(),
    0.01,
  ),
  ...[1, 2, 3].map((volumes) =>
    check(
      `old share of a brake’s last drops after ${volumes} of its volumes`,
      'library',
      'jStat, upper tail of a gamma distribution: three tanks in series',
      threeTanks(volumes),
      0.06,
    ),
  ),
  ...[1, 2, 4].map((volumes) =>
    check(
      `old share of what stands in a tube after ${volumes} of its volumes`,
      'closed form',
      'Levenspiel, laminar residence time: 1/(4θ)',
      laminar(volumes),
      0.1,
    ),
  ),
  ...[0, 3, 5].map((cell) =>
    check(
      `cell ${cell} of a branched linear network after a step, kPa`,
      'library',
      'jStat, inverse of the matrix',
      linearStep(TREE, cell),
      1e-3,
    ),
  ),
  ...[2, 4].map((cell) =>
    check(
      `cell ${cell} of the same with two loops, kPa`,
      'library',
      'jStat, inverse of the matrix',
      linearStep([...TREE, [2, 4], [0, 5]], cell),
      1e-3,
    ),
  ),
  check(
    'a soft hose at 900 kPa that empties through a hole for 0.2 s, kPa',
    'library',
    'odex, the same equation',
    transient(),
    0.01,
  ),
  check(
    'widest line in which a bubble stays where it is, mm',
    'published, recalled',
    'Bretherton 1961: ρ·g·r²/σ = 0.842, at 0.035 N/m from memory',
    widestThatSticks(),
    0.01,
  ),
  check(
    'fine bubbles left in a reservoir after two minutes',
    'closed form',
    'Stokes by hand: g·d²/(18·ν) through 60 mm',
    frothLeft(),
    0.01,
  ),
  check(
    'pressure before a piston whose wider ring lifts its valve, kPa',
    'closed form',
    'force less spring less 500 kPa on the ring, over the narrow bore',
    beforeARing(),
    0.02,
  ),
]
