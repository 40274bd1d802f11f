import jStat from 'jstat'
import { expect, test } from 'vitest'
import { done, press, type RigAct, rigOf as requestRig } from '~test/worlds/rig-of'
import { carFile, vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { Forest, LOOP } from './forest'
import type { Rig } from './run'
import { Tube } from './tube'

/** One corner behind 4 m of pipe, so that sums can be done by hand. */
const vehicle = vehicleFrom(carFile([{ id: 'rr', position: 'rear-right', lengthM: 4, circuit: 'A' }]))
const rigOf = (more: object = {}): Rig => requestRig(vehicle, more)
const near = (ours: number, theirs: number, share: number) =>
  expect(Math.abs(ours / theirs - 1)).toBeLessThan(share)

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

test('half the step changes no answer by more than one in a hundred', () => {
  const pull = (factor: number) => {
    const rig = rigOf()
    for (const act of [
      press(100, 1),
      { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'open', for: 1.5 },
    ] as object[]) {
      const { for: lasts = 0.5 } = act as { for?: number }
      // The same act in pieces: every piece begins again with the shortest step.
      rig.do({ ...act, for: lasts / factor } as RigAct)
      for (let i = 1; i < factor; i++) rig.do({ do: 'wait', for: lasts / factor } as RigAct)
    }
    return [rig.ledger.out, rig.pedalMm('mc')] as const
  }
  const [coarse, fine] = [pull(1), pull(40)]
  near(coarse[0], fine[0], 0.01)
  near(coarse[1], fine[1], 0.01)
})

test('what swings to and fro in a line comes back as it went in; what goes through it takes the old along', () => {
  const tube = new Tube()
  tube.fill(10, 1)
  for (let swing = 0; swing < 50; swing++) {
    tube.push('near', 0.4, 0)
    tube.pop('far', 0.4)
    tube.push('far', 0.4, 1)
    expect(tube.pop('near', 0.4)).toBeLessThan(0.01)
  }
  expect(tube.oldMl).toBeGreaterThan(9.9)
})

test('under a vacuum bubbles go by in the hose whether the bleeder is open or closed, and none of them is in the system', () => {
  const rig = done(
    rigOf(),
    { do: 'vacuum', bleeder: 'rr', kPa: 70, for: 0 },
    { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'under-fluid', for: 3 },
    { do: 'close', bleeder: 'rr' },
  )
  const before = rig.falseAirMl.get('rr') ?? 0
  expect(before).toBeGreaterThan(0.01)
  done(rig, { do: 'wait', for: 3 })
  expect(rig.falseAirMl.get('rr')).toBeGreaterThan(before + 0.01)
  expect(rig.came.get('rr')?.airMl).toBeLessThan(1e-9)
  expect(rig.airMl).toBeLessThan(1e-9)
})

test('a by-wire unit at work pushes through its own brakes, and lets its pressure go when it stops', () => {
  const rig = requestRig(examples['hybrid-taxi']?.file)
  done(
    rig,
    { do: 'open', bleeder: 'RR', turns: 0.5, hose: 'under-fluid', for: 0 },
    { do: 'cycle', unit: 'unit', for: 5 },
  )
  expect(rig.came.get('RR')?.ml).toBeGreaterThan(15)
  done(rig, { do: 'close', bleeder: 'RR' }, { do: 'cycle', unit: 'unit', for: 5 })
  const brake = rig.assembly.worn.get('rear right brake')?.[0]?.cell ?? 0
  done(rig, { do: 'wait', for: 5 })
  expect(rig.assembly.at(brake).kPa).toBeLessThan(20)
})

test('a caliper with two bleeders is bled half by half: what leaves the inner one leaves the outer half as old as it was', () => {
  const rig = requestRig(examples['school-minibus']?.file)
  const [reservoir] = rig.assembly.tanks
  const id = reservoir?.id ?? ''
  done(rig, { do: 'wipe', reservoir: id, for: 0 }, { do: 'feed', reservoir: id, on: true, for: 0 })
  done(rig, { do: 'pour', reservoir: id, ml: 400, for: 0 }, { do: 'pressurise', reservoir: id, kPa: 100 })
  const oldAt = (bleeder: string) => rig.assembly.at(rig.outlet(bleeder).of).oldShare
  done(rig, { do: 'open', bleeder: 'FRI', turns: 0.5, hose: 'under-fluid', for: 300 })
  expect(oldAt('FRI')).toBeLessThan(0.02)
  expect(oldAt('FRO')).toBeGreaterThan(0.8)
  done(rig, { do: 'close', bleeder: 'FRI' })
  done(rig, { do: 'open', bleeder: 'FRO', turns: 0.5, hose: 'under-fluid', for: 120 })
  expect(oldAt('FRO')).toBeLessThan(0.05)
})

test('one elimination of a system with two loops is what a library’s inverse gives (jStat)', () => {
  const edges = (
    [
      [0, 1],
      [1, 2],
      [1, 3],
      [3, 4],
      [2, 4],
      [0, 4],
    ] as const
  ).map(([from, to]) => ({ from, to }))
  const conducts = [3, 1, 2, 0.5, 4, 1.5]
  const own = [1, 2, 0.5, 1, 3]
  const right = [5, -1, 2, 0, 7]
  const forest = new Forest(5, edges, new Set())
  expect(forest.loops).toHaveLength(2)
  const matrix = own.map((_, r) => own.map((value, c) => (r === c ? value : 0)))
  const add = (r: number, c: number, value: number) => {
    const row = matrix[r]
    if (row) row[c] = (row[c] ?? 0) + value
  }
  for (const [i, value] of own.entries()) forest.diagonal[i] = value
  for (const [l, { from, to }] of edges.entries()) {
    const g = conducts[l] ?? 0
    for (const [a, b] of [
      [from, to],
      [to, from],
    ] as const) {
      add(a, a, g)
      add(a, b, -g)
      if (forest.hangs[l] !== LOOP) forest.diagonal[a] = (forest.diagonal[a] ?? 0) + g
    }
    const hanging = forest.hangs[l] ?? LOOP
    if (hanging !== LOOP) forest.coupling[hanging] = g
  }
  const ours = Float64Array.from(right)
  forest.eliminate()
  forest.substitute(ours)
  forest.addLoops(ours, edges, (l) => conducts[l] ?? 0)
  for (const [i, row] of jStat.inv(matrix).entries())
    expect(ours[i]).toBeCloseTo(
      row.reduce((sum, each, k) => sum + each * (right[k] ?? 0), 0),
      9,
    )
})
