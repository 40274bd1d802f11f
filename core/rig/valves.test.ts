import { describe, expect, test } from 'vitest'
import { done, rigOf } from '~test/worlds/rig-of'
import { carFile } from '~test/worlds/vehicles'

const corner = { id: 'rr', position: 'rear-right', lengthM: 2, circuit: 'A' }

/** One corner behind a valve. */
function behind(valve: object, start: object = {}) {
  const file = carFile([corner])
  const segments = [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }]
  return rigOf(
    {
      ...file,
      parts: [...file.parts, { id: 'valve', type: 'valve', bleeders: [], ...valve }],
      lines: [
        { id: 'to', from: 'mc-A', to: 'valve', circuit: 'A', segments },
        { id: 'line-rr', from: 'valve', to: 'brake-rr', circuit: 'A', segments },
      ],
    },
    { start },
  )
}
const open = { do: 'open', bleeder: 'rr', turns: 0.5, hose: 'under-fluid', for: 3 }
const hold = (on: boolean) => ({ do: 'hold', valve: 'valve', on, for: 0 })
const cameMl = (rig: ReturnType<typeof rigOf>): number => rig.came.get('rr')?.ml ?? 0

describe('a metering valve, as common practice has it', () => {
  test('is shut by pressure at the reservoir, and passes once it is held open', () => {
    const rig = done(
      behind({ role: 'metering' }),
      { do: 'pressurise', reservoir: 'res', kPa: 140, for: 1 },
      open,
    )
    expect(cameMl(rig)).toBeLessThan(0.1)
    done(rig, hold(true), { do: 'wait', for: 3 })
    expect(cameMl(rig)).toBeGreaterThan(5)
    const before = cameMl(rig)
    done(rig, { do: 'close', bleeder: 'rr', for: 1 }, hold(false), open)
    expect(cameMl(rig)).toBeLessThan(before + 1)
  })
  test('lets a foot and gravity through', () => {
    const foot = { do: 'press', cylinder: 'mc', effortN: 100, overS: 0.2, for: 1 }
    expect(cameMl(done(behind({ role: 'metering' }), foot, open))).toBeGreaterThan(2)
    expect(cameMl(done(behind({ role: 'metering' }), open, { do: 'wait', for: 60 }))).toBeGreaterThan(5)
  })
})

test('a load-sensing valve is shut while the axle hangs, until it is held; on its wheels it is open', () => {
  const byMachine = [{ do: 'pressurise', reservoir: 'res', kPa: 100, for: 1 }, open]
  const hanging = done(behind({ role: 'load-sensing' }, { axlesHang: true }), ...byMachine)
  expect(cameMl(hanging)).toBeLessThan(0.01)
  expect(cameMl(done(hanging, hold(true), { do: 'wait', for: 3 }))).toBeGreaterThan(5)
  expect(cameMl(done(behind({ role: 'load-sensing' }), ...byMachine))).toBeGreaterThan(5)
})

test('a cylinder with a valve for drums keeps what it says in its lines; another one keeps nothing', () => {
  const keptKPa = (residualKPa?: number) => {
    const file = carFile([corner])
    const parts = file.parts.map((part) => (part.id === 'mc' ? { ...part, residualKPa } : part))
    const rig = done(
      rigOf({ ...file, parts }),
      { do: 'press', cylinder: 'mc', effortN: 200, overS: 0.2, for: 1 },
      { do: 'release', cylinder: 'mc', overS: 0.3, for: 10 },
    )
    return rig.assembly.at(rig.outlet('rr').of).kPa
  }
  // The bleeder lies 0.6 m below: about 6 kPa of fluid stand over it.
  expect(keptKPa()).toBeLessThan(10)
  expect(keptKPa(70)).toBeGreaterThan(60)
  expect(keptKPa(70)).toBeLessThan(85)
})
