import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoNames, demoVehicle } from '~test/worlds/demo-vehicles'
import { randomRigRequest } from '~test/worlds/random-rig'
import { mirrored } from '~test/worlds/random-vehicle'
import { carFile } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { allBleeders, partsOf } from '../vehicle/parts'
import { readVehicle } from '../vehicle/read-vehicle'
import type { Vehicle } from '../vehicle/schema'
import { runRig } from './answer'
import { type RigRequest, readRigRequest } from './request'
import { Rig } from './run'

const requestFor = (vehicle: Vehicle, acts: object[], more: object = {}): RigRequest => {
  const read = readRigRequest({
    format: 'ruddy-siphon.rig-request',
    version: 1,
    vehicle: JSON.parse(JSON.stringify(vehicle)),
    acts,
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.value
}
const numbersIn = (value: unknown): number[] =>
  typeof value === 'number'
    ? [value]
    : value !== null && typeof value === 'object'
      ? Object.values(value).flatMap(numbersIn)
      : []
/** Every place of an input that holds something which is no object. */
function leavesOf(value: unknown): [Record<string, unknown>, string][] {
  if (value === null || typeof value !== 'object') return []
  const holder = value as Record<string, unknown>
  return Object.entries(holder).flatMap(([key, inner]) =>
    inner !== null && typeof inner === 'object'
      ? leavesOf(inner)
      : [[holder, key] as [typeof holder, string]],
  )
}
const every: readonly (readonly [string, Vehicle])[] = [
  ...demoNames.map((name) => [name, demoVehicle(name)] as const),
  ...Object.entries(examples).flatMap(([name, { file }]) => {
    const read = readVehicle(structuredClone(file))
    return read.ok ? [[name, read.value] as const] : []
  }),
]

describe('whatever is done to whatever vehicle with whatever wrong', () => {
  test('fluid, its age and air are conserved to a millionth of what moved, no number is lost, no level goes below empty', () => {
    fc.assert(
      fc.property(randomRigRequest, (input) => {
        const read = readRigRequest(input)
        if (!read.ok) return
        const rig = new Rig(read.value)
        const [airBefore, oldBefore] = [rig.airMl, rig.oldMl]
        for (const act of read.value.acts) rig.do(act)
        // Every step found its pressures.
        expect(rig.steps.unsettled).toBe(0)
        const { poured, drawn, out, leaked, spilled, airIn, airOut } = rig.ledger
        const moved = poured + drawn + Math.abs(out) + leaked + spilled + Math.abs(rig.heldMoreMl)
        expect(Math.abs(poured - drawn - out - leaked - spilled - rig.heldMoreMl)).toBeLessThan(
          1e-6 * (1 + moved),
        )
        expect(Math.abs(airIn - airOut - (rig.airMl - airBefore))).toBeLessThan(
          1e-6 * (1 + airIn + airOut + airBefore),
        )
        expect(Math.abs(oldBefore - rig.oldMl - rig.ledger.oldGone)).toBeLessThan(1e-6 * (1 + moved))
        const answer = runRig(read.value)
        for (const number of numbersIn(answer)) expect(Number.isFinite(number)).toBe(true)
        for (const { levelMl } of answer.acts)
          for (const ml of Object.values(levelMl)) expect(ml).toBeGreaterThanOrEqual(0)
        for (const pct of [...Object.values(answer.end.oldPct), ...Object.values(answer.end.reservoirOldPct)])
          expect(pct >= -1e-6 && pct <= 100 + 1e-6).toBe(true)
      }),
      { numRuns: 400, seed: 18 },
    )
  })

  test('whatever is asked, it is answered or refused with a path (10 000)', () => {
    const wild = fc.oneof(
      fc.double(),
      fc.constantFrom('nothing', '', null, undefined, [], {}, -1, 1e9, 'press', 'rr'),
      fc.jsonValue({ maxDepth: 1 }),
    )
    fc.assert(
      fc.property(
        randomRigRequest,
        fc.array(fc.tuple(fc.nat(), wild), { maxLength: 3 }),
        (input, changes) => {
          const copy = JSON.parse(JSON.stringify({ ...input, acts: input.acts.slice(0, 3) }))
          for (const [n, value] of changes) {
            const places = leavesOf(copy)
            const [holder, key] = places[n % places.length] ?? []
            if (holder && key !== undefined) holder[key] = value
          }
          const read = readRigRequest(copy)
          if (!read.ok) for (const { path } of read.faults) expect(path).toMatch(/^[^ ]/)
          else for (const number of numbersIn(runRig(read.value))) expect(Number.isFinite(number)).toBe(true)
        },
      ),
      { numRuns: 10_000, seed: 99 },
    )
  })

  test('half the step changes no answer by more than one in a hundred', () => {
    const seen = (rig: Rig) => [
      ...actuators(rig.assembly.vehicle).map(({ id }) => rig.pedalMm(id)),
      ...rig.assembly.tanks.map(({ levelMl }) => levelMl),
      ...rig.assembly.outlets.map(({ of }) => 100 * rig.assembly.at(of).oldShare),
      rig.ledger.out,
      rig.airMl,
    ]
    fc.assert(
      fc.property(randomRigRequest, (input) => {
        const read = readRigRequest(input)
        if (!read.ok) return
        const [usual, half] = [new Rig(read.value), new Rig(read.value, 2)]
        for (const act of read.value.acts) {
          usual.do(act)
          half.do(act)
        }
        const finer = seen(half)
        // Of what is below 10 mm, mL or per cent, a tenth of one.
        for (const [i, value] of seen(usual).entries())
          expect(Math.abs(value - (finer[i] ?? 0))).toBeLessThan(0.01 * Math.max(10, Math.abs(value)))
      }),
      { numRuns: 150, seed: 3 },
    )
  })

  test('the same acts give the same answer', () => {
    fc.assert(
      fc.property(randomRigRequest, (input) => {
        const read = readRigRequest(input)
        if (read.ok) expect(runRig(read.value)).toEqual(runRig(read.value))
      }),
      { numRuns: 20, seed: 7 },
    )
  })
})

const actuators = (vehicle: Vehicle) => partsOf(vehicle, 'master-cylinder')
/** The cylinder whose chamber feeds a bleeder is not asked for here: each is pressed in turn. */
const pulls = (vehicle: Vehicle, effortN: number) =>
  actuators(vehicle).flatMap(({ id }) => [
    { do: 'press', cylinder: id, effortN, for: 1.5 },
    { do: 'release', cylinder: id, for: 2 },
  ])

/** Air in all after a pull at one bleeder. */
function pulled(vehicle: Vehicle, bleeder: string, order: ('close' | 'release')[]): number {
  const feeds = actuators(vehicle).map(({ id }) => id)
  return runRig(
    requestFor(vehicle, [
      ...feeds.map((cylinder) => ({ do: 'press', cylinder, effortN: 100, for: 0.5 })),
      { do: 'open', bleeder, for: 2 },
      ...order.flatMap((what): object[] =>
        what === 'close'
          ? [{ do: 'close', bleeder, for: 0.3 }]
          : feeds.map((cylinder) => ({ do: 'release', cylinder, for: 1.5 })),
      ),
    ]),
  ).end.airInAllMl
}

test('let go before it is closed, the pedal draws air in at the bleeder', () => {
  expect(pulled(demoVehicle('post-van-lhd'), 'FL', ['release', 'close'])).toBeGreaterThan(0.01)
  expect(pulled(demoVehicle('post-van-lhd'), 'FL', ['close', 'release'])).toBeLessThan(1e-6)
})

describe.each(every)('%s, sound', (_, vehicle) => {
  /** An ordinary stop: 1.5 MPa in the first chamber. */
  const usualN = ({ chambers: [first], pedalRatio }: ReturnType<typeof actuators>[number]) =>
    (1.5 * (Math.PI / 4) * (first?.boreMm ?? 0) ** 2 + 75) / pedalRatio

  test('no pedal or lever bottoms', () => {
    for (const cylinder of actuators(vehicle)) {
      const { acts } = runRig(
        requestFor(vehicle, [{ do: 'press', cylinder: cylinder.id, effortN: usualN(cylinder), for: 3 }]),
      )
      const whole = cylinder.pedalRatio * cylinder.chambers.reduce((sum, { strokeMm }) => sum + strokeMm, 0)
      expect((acts[0]?.pedalMm[cylinder.id] ?? 0) / whole).toBeLessThan(0.95)
    }
  })

  test('a pull that is closed before it is let go draws no air', () => {
    const [bleeder] = allBleeders(vehicle).filter(({ part }) => part.type === 'wheel-brake')
    if (bleeder) expect(pulled(vehicle, bleeder.bleeder.id, ['close', 'release'])).toBeLessThan(1e-6)
  })

  test('more air is never less travel', () => {
    const [brake] = partsOf(vehicle, 'wheel-brake')
    if (!brake) return
    const travels = [0, 0.5, 2].map((ml) => {
      const { acts } = runRig(
        requestFor(vehicle, pulls(vehicle, 80), { start: { airMl: { [brake.id]: ml } } }),
      )
      return acts.flatMap(({ pedalMm }) => Object.values(pedalMm)).reduce((sum, mm) => sum + mm, 0)
    })
    expect(travels[1]).toBeGreaterThanOrEqual((travels[0] ?? 0) - 0.2)
    expect(travels[2]).toBeGreaterThanOrEqual((travels[1] ?? 0) - 0.2)
  })
})

test('a line or a bleeder that no chamber leads to is refused with its path, not opened', () => {
  const file = carFile([{ id: 'rr', position: 'rear-right', lengthM: 4 }])
  const segments = [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }]
  const read = readRigRequest({
    format: 'ruddy-siphon.rig-request',
    version: 1,
    vehicle: {
      ...file,
      parts: [
        ...file.parts,
        { id: 'from nowhere', type: 'junction' },
        { id: 'sim', type: 'stroke-simulator', volumeMl: 5, bleeders: [] },
      ],
      lines: [...file.lines, { id: 'spare', from: 'from nowhere', to: 'sim', circuit: 'Z', segments }],
    },
    acts: [{ do: 'crack', at: 'spare' }],
  })
  expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual(['acts.0.at'])
})

test('a mirrored vehicle gives the mirrored answer: nothing hangs on the side a part is on', () => {
  fc.assert(
    fc.property(randomRigRequest, (input) => {
      const [one, other] = [readRigRequest(input), readRigRequest(mirrored(input))]
      if (one.ok && other.ok) expect(runRig(other.value)).toEqual(runRig(one.value))
    }),
    { numRuns: 20, seed: 41 },
  )
})

test('what takes no time is done all the same: a syringe emptied at once', () => {
  const rig = new Rig(requestFor(demoVehicle('post-van-lhd'), []))
  rig.do({ do: 'syringe', bleeder: 'FL', ml: 6, for: 0 })
  expect(rig.ledger.poured).toBeCloseTo(6, 9)
})

test('chambers that draw nothing, or never open their port, say so by what comes and what stays', () => {
  const van = demoVehicle('post-van-lhd')
  const at = partsOf(van, 'master-cylinder')[0]?.chambers[0]?.id ?? ''
  const pull = [
    { do: 'press', cylinder: 'cylinder', effortN: 100, for: 0.5 },
    { do: 'open', bleeder: 'FL', hose: 'check-valve', for: 2 },
    { do: 'close', bleeder: 'FL', for: 0.3 },
    { do: 'release', cylinder: 'cylinder', for: 2 },
  ]
  const second = (faults: object[]) =>
    runRig(requestFor(van, [...pull, ...pull], { faults })).acts.at(5)?.out.FL?.ml ?? 0
  expect(second([{ kind: 'no-draw', at }])).toBeLessThan(0.5 * second([]))
  const byGravity = (faults: object[]) =>
    runRig(requestFor(van, [{ do: 'open', bleeder: 'FL', hose: 'check-valve', for: 60 }], { faults })).acts[0]
      ?.out.FL?.ml ?? 0
  expect(byGravity([{ kind: 'no-draw', at }])).toBeLessThan(0.1 * byGravity([]))
  const held = (faults: object[]) =>
    runRig(
      requestFor(
        van,
        [
          { ...pull[0], effortN: 200 },
          { ...pull[3], for: 6 },
        ],
        { faults },
      ),
    ).acts.at(-1)?.lineKPa[at] ?? 0
  expect(Math.abs(held([]))).toBeLessThan(2)
  expect(held([{ kind: 'no-return', at }])).not.toBeCloseTo(held([]), 3)
})
