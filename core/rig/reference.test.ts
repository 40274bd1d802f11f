import { jStat } from 'jstat'
import { Solver } from 'odex'
import { describe, expect, test } from 'vitest'
import { flowMlPerMin, holePa, takesPa } from '~test/second/by-hand'
import { carFile, vehicleFrom } from '~test/worlds/vehicles'
import { Cell } from './cell'
import { Link, type Resistance } from './link'
import { Network } from './network'
import { type RigRequest, readRigRequest } from './request'
import { Rig } from './run'

/** One corner behind 4 m of pipe, so that sums can be done by hand. */
const vehicle = vehicleFrom(carFile([{ id: 'rr', position: 'rear-right', lengthM: 4, circuit: 'A' }]))
const rigOf = (more: object = {}): Rig => {
  const read = readRigRequest({
    format: 'ruddy-siphon.rig-request',
    version: 1,
    vehicle: JSON.parse(JSON.stringify(vehicle)),
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return new Rig(read.value)
}
type Act = RigRequest['acts'][number]
const done = (rig: Rig, ...acts: object[]): Rig => {
  for (const act of acts) rig.do({ for: 0.5, ...act } as Act)
  return rig
}
const press = (effortN: number, lasts = 3) => ({
  do: 'press',
  cylinder: 'mc',
  effortN,
  overS: 0.2,
  for: lasts,
})
const AREA_MM2 = Math.PI * 10 ** 2
const RATIO = 4
const LIQUID = { mm2PerS: 15.53, densityKgM3: 1060 }
const near = (ours: number, theirs: number, share: number) =>
  expect(Math.abs(ours / theirs - 1)).toBeLessThan(share)

describe('what steady flow takes, against sums in SI units', () => {
  /** Cup, pipe, brake (three volumes, two holes) and bleeder in series, by the usual sizes. */
  const expected = (drivingKPa: number) => {
    const { mm2PerS, densityKgM3 } = LIQUID
    const takes = (mlPerMin: number) =>
      takesPa([{ lengthM: 4, boreMm: 3.34 }], mlPerMin, mm2PerS, densityKgM3) +
      2 * takesPa([{ lengthM: 0.01, boreMm: 2.5 }], mlPerMin, mm2PerS, densityKgM3) +
      2 * holePa(2.5, mlPerMin, densityKgM3) +
      takesPa([{ lengthM: 0.01, boreMm: 1.5 }], mlPerMin, mm2PerS, densityKgM3) +
      holePa(1.5, mlPerMin, densityKgM3) +
      portPa(mlPerMin)
    let [low, high] = [0, 5000]
    while (high - low > 1e-6) {
      const middle = (low + high) / 2
      if (takes(middle) > drivingKPa * 1000) high = middle
      else low = middle
    }
    return low
  }
  /**
   * Port of 0.7 mm beside the cup, which takes 5 kPa to fold, opens over the next 0.4 and then is a hole of 2.2 mm: what
   * both take together.
   */
  const portPa = (mlPerMin: number) => {
    const { mm2PerS, densityKgM3 } = LIQUID
    const through = (mm: number, kPa: number) =>
      kPa <= 0 ? 0 : flowMlPerMin([{ lengthM: 0.002, boreMm: mm }], kPa, mm2PerS, densityKgM3, mm)
    let [low, high] = [0, 2000]
    while (high - low > 1e-9) {
      const kPa = (low + high) / 2
      const beyond = Math.max(0, kPa - 5)
      if (through(0.7, kPa) + through(2.2, beyond ** 2 / (beyond + 0.4)) > mlPerMin) high = kPa
      else low = kPa
    }
    return low * 1000
  }
  const flowOf = (kPa: number) => {
    const rig = done(
      rigOf({ start: { tempC: 20 } }),
      { do: 'feed', reservoir: 'res', on: true },
      { do: 'pressurise', reservoir: 'res', kPa, for: 2 },
      { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'under-fluid', for: 5 },
    )
    const before = rig.ledger.out
    done(rig, { do: 'wait', for: 60 })
    return rig.ledger.out - before
  }
  const head = (1060 * 9.80665 * 0.6) / 1000

  test('by a pressure bleeder of 100 kPa (Hagen–Poiseuille and a sharp-edged hole)', () => {
    near(flowOf(100), expected(100 + head), 0.01)
  })
  test('by gravity alone, 0.6 m (Torricelli at the hole, Hagen–Poiseuille in the pipe)', () => {
    near(flowOf(0), expected(head), 0.01)
  })
})

test('a millilitre of air costs the pedal what Boyle takes from it: ratio · V · P/(P + P0) over the bore', () => {
  for (const effortN of [40, 100, 250]) {
    const travel = (airMl: number) => {
      const rig = done(rigOf({ start: { airMl: { 'brake-rr': airMl } } }), press(effortN))
      return { mm: rig.pedalMm('mc'), kPa: rig.assembly.at(rig.assembly.chambers[0]?.cell ?? 0).kPa }
    }
    const [without, withAir] = [travel(0), travel(1)]
    const squeezedMl = (kPa: number) => kPa / (kPa + 101.325)
    // The spring takes a little more with the travel, so pressure differs by a little too.
    const boyleMm = ((squeezedMl(withAir.kPa) * 1000) / AREA_MM2) * RATIO
    near(withAir.mm - without.mm, boyleMm, 0.12)
  }
})

test.each(['leak', 'bypass'] as const)(
  'a %s of 6 mL/min for each MPa sinks the pedal so fast (arithmetic)',
  (kind) => {
    const at = kind === 'leak' ? 'line-rr' : 'mc-A'
    const rig = done(rigOf({ faults: [{ kind, at, mlPerMinPerMPa: 6 }] }), press(200, 4))
    const before = rig.pedalMm('mc')
    const { kPa } = rig.assembly.at(rig.assembly.chambers[0]?.cell ?? 0)
    done(rig, { do: 'wait', for: 10 })
    const mlPerS = (6 * (kPa / 1000)) / 60
    near((rig.pedalMm('mc') - before) / 10, ((mlPerS * 1000) / AREA_MM2) * RATIO, 0.03)
  },
)

test('a reservoir that is kept full thins out as one stirred tank: e^(−V/R) (Levenspiel)', () => {
  const rig = done(
    rigOf(),
    { do: 'feed', reservoir: 'res', on: true },
    { do: 'pressurise', reservoir: 'res', kPa: 80 },
    { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'under-fluid', for: 120 },
  )
  const [tank] = rig.assembly.tanks
  const share = (tank?.oldMl ?? 0) / (tank?.levelMl ?? 1)
  expect(share).toBeLessThan(0.6)
  near(share, Math.exp(-rig.ledger.poured / 400), 0.01)
})

test('a corner between one tank and plug flow: after two of its volumes of clean feed between 0 and 14 % is old (Levenspiel)', () => {
  const rig = rigOf({ start: { newIn: ['res'] } })
  const volumeMl = rig.assembly.cells.reduce(
    (sum, cell, i) => sum + (rig.assembly.fixed.has(i) || cell.of === 'mc' ? 0 : cell.liquidMl),
    0,
  )
  done(
    rig,
    { do: 'feed', reservoir: 'res', on: true },
    { do: 'pressurise', reservoir: 'res', kPa: 80, for: 1 },
  )
  done(rig, { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'under-fluid', for: 1 })
  while (rig.ledger.out < 2 * volumeMl) done(rig, { do: 'wait', for: 0.5 })
  const bleeder = rig.assembly.outlets.find(({ id }) => id === 'rr')
  const share = rig.assembly.at(bleeder?.of ?? 0).oldShare
  expect(share).toBeGreaterThan(0.001)
  expect(share).toBeLessThan(Math.exp(-2))
})

const plain: Resistance = { laminar: 2, square: 0 }
const cellOf = (wallMlPerKPa: number) => new Cell({ of: 'x', heightM: 0, baseMl: 0, wallMlPerKPa })

test('one step of a branched linear network is what a library’s inverse gives (jStat)', () => {
  const walls = [0.01, 0.03, 0.02, 0.05, 0.04, 0.02]
  const cells = [...walls.map(cellOf), cellOf(0)]
  const pairs = [
    [0, 1],
    [1, 2],
    [1, 3],
    [3, 4],
    [3, 5],
    [5, 6],
  ] as const
  const links = pairs.map(([from, to], i) => new Link({ from, to, out: { laminar: 1 + i, square: 0 } }))
  const began = [400, 0, 90, 10, 250, 30]
  for (const [i, kPa] of began.entries()) {
    const cell = cells[i] as Cell
    cell.kPa = kPa
    // Only walls hold anything here: what they hold at that pressure.
    cell.liquidMl = cell.wallMlPerKPa * kPa
  }
  const dt = 0.02
  new Network(cells, links, new Set([6]), 0).solve(dt)
  const matrix = walls.map((_, r) => walls.map((wall, c) => (r === c ? wall : 0)))
  for (const [l, [a, b]] of pairs.entries()) {
    const g = dt / (1 + l)
    for (const [i, j] of [
      [a, b],
      [b, a],
    ] as const) {
      if (i === 6) continue
      const row = matrix[i] as number[]
      row[i] = (row[i] ?? 0) + g
      if (j !== 6) row[j] = (row[j] ?? 0) - g
    }
  }
  const inverse = jStat.inv(matrix)
  const held = began.map((kPa, i) => (walls[i] ?? 0) * kPa)
  for (const [i, row] of inverse.entries()) {
    const theirs = row.reduce((sum, each, k) => sum + each * (held[k] ?? 0), 0)
    expect(Math.abs((cells[i] as Cell).kPa - theirs)).toBeLessThan(
      1e-3 * Math.max(1, Math.abs(theirs)) + 0.01,
    )
  }
})

test('a hose that lets its pressure go through a hole falls as an ODE solver has it (odex)', () => {
  const hole: Resistance = { laminar: 0.5, square: 3 }
  const wall = 0.004
  const cell = cellOf(wall)
  const link = new Link({ from: 0, to: 1, out: hole, back: plain })
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
  near(cell.kPa, theirs, 0.01)
})

test('half the step changes no answer by more than one in a hundred', () => {
  const pull = (factor: number) => {
    const rig = rigOf()
    for (const act of [
      press(100, 1),
      { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'open', for: 1.5 },
    ] as object[]) {
      const { for: lasts = 0.5 } = act as { for?: number }
      // The same act in pieces: every piece begins again with the shortest step.
      rig.do({ ...act, for: lasts / factor } as Act)
      for (let i = 1; i < factor; i++) rig.do({ do: 'wait', for: lasts / factor } as Act)
    }
    return [rig.ledger.out, rig.pedalMm('mc')] as const
  }
  const [coarse, fine] = [pull(1), pull(40)]
  near(coarse[0], fine[0], 0.01)
  near(coarse[1], fine[1], 0.01)
})
