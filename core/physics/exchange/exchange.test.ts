import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, test } from 'vitest'
import { chooseContainers } from './containers'
import { drawDownSavingMl } from './draw-down'
import { laminarOutletShare, laminarVolumes } from './laminar-tail'
import { cornerVolumes, purge } from './purge'
import { cornerMeanShare, cornerOutletShare } from './reservoir-carry'
import { tanksOutletShare } from './tanks-in-series'
import { topUp } from './top-up'
import { wearDrop } from './wear-drop'

describe('tanks in series', () => {
  test('is the upper tail of a gamma distribution (jStat)', () => {
    for (const tanks of [1, 2, 3, 7, 20, 60])
      for (const volumes of [0.1, 0.5, 1, 1.7, 3, 5])
        expect(tanksOutletShare(volumes, tanks)).toBeCloseTo(
          1 - jStat.gamma.cdf(volumes, tanks, 1 / tanks),
          9,
        )
  })

  test('three tanks leave 6.2 % after two volumes and 0.6 % after three (Levenspiel)', () => {
    expect(tanksOutletShare(2, 3)).toBeCloseTo(0.062, 3)
    expect(tanksOutletShare(3, 3)).toBeCloseTo(0.006, 3)
    expect(tanksOutletShare(3, 1)).toBeCloseTo(0.05, 2)
  })
})

test('the laminar tail leaves 2.8 % at three volumes and wants five for 1 % (Levenspiel)', () => {
  expect(laminarOutletShare(3)).toBeCloseTo(0.028, 3)
  expect(laminarVolumes(0.01)).toBeCloseTo(5, 9)
})

test('a plan takes the worse of the two, and purer never takes less', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-4, max: 0.9, noNaN: true }),
      fc.double({ min: 1e-4, max: 0.9, noNaN: true }),
      (a, b) => {
        const theta = cornerVolumes(Math.min(a, b))
        expect(theta).toBeGreaterThanOrEqual(cornerVolumes(Math.max(a, b)) - 1e-9)
        expect(Math.max(tanksOutletShare(theta, 3), laminarOutletShare(theta))).toBeLessThanOrEqual(
          Math.min(a, b) + 1e-9,
        )
      },
    ),
  )
})

test('purge inverts the share it was asked for', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 200 }),
      fc.double({ min: 0.001, max: 99, noNaN: true }),
      (tanks, targetOldPct) => {
        const { ml, volumes } = purge({ volumeMl: 80, tanks, targetOldPct })
        expect(tanksOutletShare(volumes, tanks) * 100).toBeCloseTo(targetOldPct, 6)
        expect(ml).toBeCloseTo(80 * volumes, 9)
      },
    ),
  )
})

describe('an old reservoir carried along', () => {
  test('200 mL old, an 80 mL corner, 240 mL through: 46 % is left (Levenspiel, chained)', () => {
    expect(cornerOutletShare(200, 1, 80, 240)).toBeCloseTo(0.46, 2)
  })

  test('with a clean feed it is plain tanks in series', () => {
    expect(cornerOutletShare(200, 0, 80, 160)).toBeCloseTo(tanksOutletShare(2, 3), 9)
  })
})

test('two 38 mm pistons out by 4 mm hold 9.07 mL (geometry)', () => {
  expect(wearDrop({ pistons: [{ diameterMm: 38, count: 2 }], wearMm: 4 }).ml).toBeCloseTo(9.073, 3)
})

test('strokes to top-up never go below MIN and leave less than a stroke', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 5000, noNaN: true }),
      fc.double({ min: 0.5, max: 50, noNaN: true }),
      (usableMl, mlPerStroke) => {
        const { strokes } = topUp({ usableMl, mlPerStroke })
        expect(strokes * mlPerStroke).toBeLessThanOrEqual(usableMl + 1e-6)
        expect((strokes + 1) * mlPerStroke).toBeGreaterThan(usableMl)
      },
    ),
  )
  expect(topUp({ usableMl: 0.3, mlPerStroke: 0.1 }).strokes).toBe(3)
})

describe('containers', () => {
  const sum = (chosen: { ml: number; count: number }[]) =>
    chosen.reduce((total, { ml, count }) => total + ml * count, 0)

  test('820 mL is one litre, 1300 mL is a litre and a half, nothing is nothing', () => {
    expect(chooseContainers(820, [500, 1000])).toEqual([{ ml: 1000, count: 1 }])
    expect(chooseContainers(1300, [500, 1000])).toEqual([
      { ml: 1000, count: 1 },
      { ml: 500, count: 1 },
    ])
    expect(chooseContainers(0, [500])).toEqual([])
    expect(sum(chooseContainers(2_000_300, [355, 946]))).toBeGreaterThanOrEqual(2_000_300)
  })

  test('covers the need with no less left over by any other choice (all choices tried)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2500 }),
        fc.uniqueArray(fc.constantFrom(250, 355, 500, 946, 1000), { minLength: 1, maxLength: 3 }),
        (need, sizes) => {
          const best = sum(chooseContainers(need, sizes))
          expect(best).toBeGreaterThanOrEqual(need)
          expect(best).toBe(leastByTrying(need, sizes))
        },
      ),
    )
  })
})

function leastByTrying(need: number, [size, ...others]: number[]): number {
  if (need <= 0) return 0
  if (size === undefined) return Number.POSITIVE_INFINITY
  const least = Array.from(
    { length: Math.ceil(need / size) + 1 },
    (_, count) => count * size + leastByTrying(need - count * size, others),
  )
  return Math.min(...least)
}

test('no old fluid is lost: all that stood in reservoir and corner leaves at the outlet, however they compare', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 800, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 10, max: 300, noNaN: true }),
      (reservoirMl, share, volumeMl) => {
        // Trapezoids over so much that nothing to speak of is left.
        const throughMl = 12 * (reservoirMl + volumeMl)
        const steps = 4000
        const outlet = (i: number) => cornerOutletShare(reservoirMl, share, volumeMl, (throughMl * i) / steps)
        let leftMl = 0
        for (let i = 0; i < steps; i++) leftMl += ((outlet(i) + outlet(i + 1)) / 2) * (throughMl / steps)
        expect(leftMl / (volumeMl + share * reservoirMl)).toBeCloseTo(1, 3)
      },
    ),
    { numRuns: 50 },
  )
})

test('what stays in a corner is what stood there and what came, less what left it (trapezoids over the outlet)', () => {
  for (const [reservoirMl, share] of [
    [200, 0],
    [200, 0.6],
    [25, 1],
  ] as const)
    for (const throughMl of [20, 80, 260]) {
      const steps = 4000
      const outlet = (i: number) => cornerOutletShare(reservoirMl, share, 80, (throughMl * i) / steps)
      let leftMl = 0
      for (let i = 0; i < steps; i++) leftMl += ((outlet(i) + outlet(i + 1)) / 2) * (throughMl / steps)
      const cameMl = share * reservoirMl * (1 - Math.exp(-throughMl / reservoirMl))
      expect(80 * cornerMeanShare(reservoirMl, share, 80, throughMl)).toBeCloseTo(80 + cameMl - leftMl, 3)
    }
})

test('drawing down always saves, at most two volumes before it is nearly dry, and nothing where nothing is drawn', () => {
  expect(drawDownSavingMl(400, 1)).toBeCloseTo(0, 12)
  for (const left of [0.9, 0.5, 0.2, 0.06]) {
    expect(drawDownSavingMl(400, left)).toBeGreaterThan(0)
    expect(drawDownSavingMl(400, left)).toBeLessThan(800)
  }
})

test('where tanks and reservoir thin out almost alike, the outlet is still its own integral (Simpson, closed form)', () => {
  const through = 2
  for (const apart of [-0.0195, 0, 0.0195, 0.0205]) {
    const reservoirs = through - apart
    const inside = (u: number) => (u ** 2 / 2) * Math.exp(-through * u - reservoirs * (1 - u))
    const steps = 200
    let sum = inside(0) + inside(1)
    for (let i = 1; i < steps; i++) sum += (i % 2 === 1 ? 4 : 2) * inside(i / steps)
    const washed = Math.exp(-through) * (1 + through + through ** 2 / 2)
    const share = cornerOutletShare(through / reservoirs, 1, 3, through)
    expect(share).toBeCloseTo(washed + (through ** 3 * sum) / (3 * steps), 9)
  }
})
