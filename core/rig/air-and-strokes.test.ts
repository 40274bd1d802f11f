import { describe, expect, test } from 'vitest'
import { done, press, rigOf } from '~test/worlds/rig-of'
import { carFile } from '~test/worlds/vehicles'

const corner = { id: 'rr', position: 'rear-right', lengthM: 4, circuit: 'A' }
type Changed = Record<string, unknown>
const fileWith = (chamber: Changed, line: Changed = {}) => {
  const file = carFile([corner])
  return {
    ...file,
    parts: file.parts.map((part) =>
      part.id === 'mc' && 'chambers' in part
        ? { ...part, chambers: part.chambers?.map((each) => ({ ...each, ...chamber })) }
        : part,
    ),
    lines: file.lines.map((each) => ({ ...each, ...line })),
  }
}

describe('a bubble in a line that leads up', () => {
  /** Share of the air in the lower half of the line that has left it after two minutes. */
  const risen = (boreMm: number): number => {
    const segments = [{ lengthM: 3, boreMm, kind: 'tube' }]
    const rig = rigOf(fileWith({}, { segments }))
    const pieces = rig.assembly.cells.filter(({ of, tube }) => of === 'line-rr' && tube)
    const low = pieces.slice(pieces.length / 2)
    for (const cell of low.slice(-1)) {
      cell.airMl = 0.5
      cell.liquidMl -= 0.5
    }
    done(rig, { do: 'wait', for: 120 })
    return 1 - low.reduce((sum, { airMl }) => sum + airMl, 0) / 0.5
  }
  test('sticks in 3.2 mm and rises in 4.93 mm (Bretherton 1961)', () => {
    expect(risen(3.2)).toBeLessThan(0.01)
    expect(risen(4.93)).toBeGreaterThan(0.5)
  })
})

describe('a bore that is wider over the first of its stroke', () => {
  const moved = (chamber: Changed, effortN: number) => {
    const rig = done(rigOf(fileWith(chamber)), press(effortN, 6))
    return { mm: rig.pedalMm('mc'), kPa: rig.assembly.at(rig.assembly.chambers[0]?.cell ?? 0).kPa }
  }
  const wider = { takeUp: { boreMm: 28, strokeMm: 1.5 } }
  test('brings the brakes up in less travel, and presses as its narrow bore does after that', () => {
    const [plain, quick] = [moved({}, 300), moved(wider, 300)]
    expect(quick.mm).toBeLessThan(0.9 * plain.mm)
    expect(quick.kPa / plain.kPa).toBeGreaterThan(0.95)
    expect(quick.kPa / plain.kPa).toBeLessThan(1.05)
  })
  test('gives nothing more either where the cylinder draws nothing', () => {
    const faults = [{ kind: 'no-draw', at: 'mc-A' }]
    const rig = rigOf(fileWith({ takeUp: { boreMm: 28, strokeMm: 4 } }), { faults })
    done(rig, { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'check-valve', for: 0.1 })
    const stroke = () => {
      const before = rig.came.get('rr')?.ml ?? 0
      done(rig, press(120, 3), { do: 'release', cylinder: 'mc', overS: 0.3, for: 3 })
      return (rig.came.get('rr')?.ml ?? 0) - before
    }
    expect(stroke()).toBeGreaterThan(2)
    expect(stroke()).toBeLessThan(0.3)
  })
  test('sends back into the reservoir what it has too much', () => {
    const rig = rigOf(fileWith({ takeUp: { boreMm: 32, strokeMm: 8 } }))
    const [tank] = rig.assembly.tanks
    const before = tank?.levelMl ?? 0
    done(rig, press(300, 6))
    expect(tank?.levelMl).toBeGreaterThan(before)
  })
})

test('quick strokes in the vice froth the fluid, slow ones hardly; what has risen after minutes is gone (Stokes)', () => {
  const after = (everyS: number, waitS: number) => {
    const rig = rigOf(fileWith({}), { start: { airMl: { mc: 6 } } })
    done(rig, { do: 'bench', cylinder: 'mc', strokes: 12, everyS, for: 0 }, { do: 'wait', for: waitS })
    return { frothMl: rig.assembly.tanks[0]?.frothMl ?? 0, told: rig.happened.has('froth') }
  }
  expect(after(0.5, 0).told).toBe(true)
  expect(after(5, 0).frothMl).toBeLessThan(0.3 * after(0.5, 0).frothMl)
  expect(after(0.5, 240).frothMl).toBeLessThan(0.02 * after(0.5, 0).frothMl)
})

test('a clutch’s slave goes out as it is pressed, and comes home', () => {
  const file = carFile([corner])
  const segments = [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }]
  const rig = rigOf({
    ...file,
    parts: [
      ...file.parts,
      { id: 'slave', type: 'clutch-slave', boreMm: 20, strokeMm: 20, bleeders: [{ id: 'cl' }] },
    ],
    lines: [...file.lines, { id: 'clutch', from: 'mc-B', to: 'slave', circuit: 'B', segments }],
  })
  const held = () =>
    rig.assembly.cells.filter(({ of }) => of === 'slave').reduce((sum, { liquidMl }) => sum + liquidMl, 0)
  const before = held()
  done(rig, press(300))
  expect(held() - before).toBeGreaterThan(1.5)
  done(rig, { do: 'release', cylinder: 'mc', overS: 0.3, for: 20 })
  expect(held() - before).toBeLessThan(0.1)
})
