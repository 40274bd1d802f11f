import { describe, expect, test } from 'vitest'
import { cylinderMl } from './cylinder'
import { flowMlPerMin, headKPa, reynoldsNumber } from './flow'
import { tubeMl } from './tube'
import { viscosityMm2PerS } from './viscosity'

describe('volumes (geometry, closed form)', () => {
  test('a metre of 3/16 in tube (3.34 mm bore) holds 8.76 mL, of 1/4 in (4.93 mm) 19.1 mL, of 3.2 mm hose 8.0 mL', () => {
    expect(tubeMl({ lengthM: 1, boreMm: 3.34 })).toBeCloseTo(8.76, 2)
    expect(tubeMl({ lengthM: 1, boreMm: 4.93 })).toBeCloseTo(19.1, 1)
    expect(tubeMl({ lengthM: 1, boreMm: 3.2 })).toBeCloseTo(8.0, 1)
  })

  test('a 54 mm piston 10 mm further out holds 22.9 mL more', () => {
    expect(cylinderMl(54, 10)).toBeCloseTo(22.9, 1)
  })
})

describe('viscosity (Walther, ASTM D341)', () => {
  const dot4 = [
    { tempC: -40, mm2PerS: 1300 },
    { tempC: 100, mm2PerS: 2.1 },
  ] as const

  test('a DOT 4 of 1300 and 2.1 mm²/s has about 15.5 at 20 °C and 41 at 0 °C', () => {
    expect(viscosityMm2PerS(dot4, 20)).toBeCloseTo(15.5, 0)
    expect(viscosityMm2PerS(dot4, 0)).toBeCloseTo(41, 0)
  })

  test('a freezing shop bleeds at 0.38 of the speed, one at 5 °C at 0.50', () => {
    const speedAt = (tempC: number) => viscosityMm2PerS(dot4, 20) / viscosityMm2PerS(dot4, tempC)
    expect(speedAt(0)).toBeCloseTo(0.38, 2)
    expect(speedAt(5)).toBeCloseTo(0.5, 2)
  })

  test('it gives back the points it was made from', () => {
    for (const { tempC, mm2PerS } of dot4) expect(viscosityMm2PerS(dot4, tempC)).toBeCloseTo(mm2PerS, 9)
  })

  test('two points at one temperature are refused', () => {
    expect(() => viscosityMm2PerS([dot4[0], { tempC: -40, mm2PerS: 2 }], 20)).toThrow(
      expect.objectContaining({ path: 'points.1.tempC' }),
    )
  })
})

describe('flow (Hagen–Poiseuille)', () => {
  const liquid = { mm2PerS: 16.5e-3 / 1060 / 1e-6, densityKgM3: 1060 }
  const run = [{ lengthM: 4.5, boreMm: 3.34 }]

  test('4.5 m of 3.34 mm tube at 15 psi and 0.0165 Pa·s passes 255 mL/min, Reynolds about 100', () => {
    const flow = flowMlPerMin(run, 103.42, liquid)
    expect(flow).toBeCloseTo(255, 0)
    expect(reynoldsNumber(flow, 3.34, liquid.mm2PerS)).toBeGreaterThan(95)
    expect(reynoldsNumber(flow, 3.34, liquid.mm2PerS)).toBeLessThan(110)
  })

  test('the same by 0.6 m of gravity passes 15 mL/min', () => {
    expect(flowMlPerMin(run, headKPa(0.6, 1060), liquid)).toBeCloseTo(15.4, 0)
  })

  test('an orifice takes its own pressure: 41 kPa for 1 mm, 8 for 1.5, 2.6 for 2 at 255 mL/min (closed form)', () => {
    for (const [holeMm, kPa] of [
      [1, 41],
      [1.5, 8],
      [2, 2.6],
    ] as const) {
      expect(flowMlPerMin(run, 103.42 + kPa, liquid, holeMm) / 255).toBeCloseTo(1, 1.7)
    }
  })
})
