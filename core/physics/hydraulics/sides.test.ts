import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { sayMetric } from '../../words'
import { dropKPa, flowMlPerMin, highestReynolds, orificeDropKPa } from './flow'
import { frictionFactor } from './friction'
import { flowVerdict } from './restriction'
import { compareSides, judgeReturn, type SidesVerdict } from './sides'

const side = (share: number, expectedMlPerMin = 200) => ({
  expectedMlPerMin,
  mlPerMin: share * expectedMlPerMin,
})
const verdict = (left: number, right: number, errorPct = 10): SidesVerdict =>
  compareSides(side(left, 230), side(right, 190), { errorPct }).value.verdict

describe('left against right (half of expected is common practice)', () => {
  test('each verdict where it belongs: the lines’ own lengths fall out', () => {
    expect(verdict(1, 0.95)).toBe('alike')
    expect(verdict(0.3, 1)).toBe('left-slow')
    expect(verdict(0.9, 0.3)).toBe('right-slow')
    expect(verdict(0.3, 0.28)).toBe('both-slow')
    expect(verdict(1, 0.5)).toBe('cannot-tell')
    expect(verdict(0.57, 0.35, 5)).toBe('not-below-half')
  })

  test('a shop colder than thought slows both alike, and blames neither side', () => {
    expect(verdict(0.62, 0.6)).toBe('alike')
    expect(verdict(0.62, 0.15)).toBe('right-slow')
  })

  test('behind a control unit both may be low: only left against right counts, by lines and by flows', () => {
    const behind = (left: number, right: number) =>
      compareSides(side(left, 230), side(right, 190), { errorPct: 3, behindUnit: true }).value.verdict
    expect(behind(0.3, 0.34)).toBe('alike')
    expect(behind(0.3, 0.28)).toBe('not-below-half')
    expect(behind(0.3, 0.08)).toBe('right-slow')
    // By the lines 0.49 of the other, by the flows 0.59: nobody knows which of them holds.
    expect(behind(0.147, 0.3)).toBe('cannot-tell')
  })

  const share = fc.double({ min: 0.02, max: 1.2, noNaN: true })
  test('left and right are mirror images', () => {
    const mirrored: Record<SidesVerdict, SidesVerdict> = {
      alike: 'alike',
      'not-below-half': 'not-below-half',
      'left-slow': 'right-slow',
      'right-slow': 'left-slow',
      'both-slow': 'both-slow',
      'cannot-tell': 'cannot-tell',
    }
    fc.assert(
      fc.property(share, share, (a, b) => {
        expect(compareSides(side(a), side(b)).value.verdict).toBe(
          mirrored[compareSides(side(b), side(a)).value.verdict],
        )
      }),
    )
  })

  test('a better measurement never makes a clear answer unclear, nor turns it round', () => {
    fc.assert(
      fc.property(share, share, fc.double({ min: 1, max: 40, noNaN: true }), (a, b, errorPct) => {
        const [rough, fine] = [verdict(a, b, errorPct), verdict(a, b, errorPct / 2)]
        const finer = rough === 'not-below-half' ? ['alike', rough] : [rough]
        if (rough !== 'cannot-tell' && rough !== 'both-slow') expect([...finer, 'both-slow']).toContain(fine)
      }),
    )
  })
})

test('out and back together: four answers, each with what to do (common practice)', () => {
  const answers = [
    judgeReturn(1, true),
    judgeReturn(1, false),
    judgeReturn(0.2, false),
    judgeReturn(0.2, true),
  ]
  expect(answers.map(({ value }) => value)).toEqual(['free', 'one-way', 'closed-inside', 'at-the-outlet'])
  for (const { reasons } of answers) expect(reasons[0] && sayMetric(reasons[0])).toMatch(/ .+\.$/)
  expect([0.5, 0.49, 0.02, 0.019].map(flowVerdict)).toEqual(['free', 'restricted', 'restricted', 'blocked'])
})

describe('above laminar', () => {
  const thin = { mm2PerS: 1, densityKgM3: 1000 }
  const run = [{ lengthM: 2, boreMm: 4 }]

  test('pressure rises with flow through the change, and never below the laminar part', () => {
    let before = 0
    for (let flow = 20; flow < 4000; flow += 20) {
      const kPa = dropKPa(run[0] ?? { lengthM: 1, boreMm: 1 }, flow, thin)
      expect(kPa).toBeGreaterThan(before)
      before = kPa
    }
    expect(frictionFactor(2300)).toBeCloseTo(64 / 2300, 12)
    expect(frictionFactor(4000)).toBeCloseTo(0.3164 * 4000 ** -0.25, 12)
  })

  test('the flow found takes exactly the pressure given, with an orifice and without, laminar or not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 3000, noNaN: true }),
        fc.double({ min: 0.6, max: 400, noNaN: true }),
        fc.constantFrom(undefined, 1, 1.5, 2.5),
        (kPa, mm2PerS, holeMm) => {
          const liquid = { mm2PerS, densityKgM3: 1050 }
          const flow = flowMlPerMin(run, kPa, liquid, holeMm)
          const [piece = { lengthM: 1, boreMm: 1 }] = run
          const taken = dropKPa(piece, flow, liquid) + (holeMm ? orificeDropKPa(holeMm, flow, 1050) : 0)
          expect(taken / kPa).toBeCloseTo(1, 9)
        },
      ),
    )
    expect(highestReynolds(run, flowMlPerMin(run, 500, thin), 1)).toBeGreaterThan(4000)
  })
})
