import fc from 'fast-check'
import jStat from 'jstat'
import { expect, test } from 'vitest'
import { calculators } from '~core/calculators/command'
import { airKPa, antoineKPa, boilsC, flowMlPerMin, halving, takesPa, viscosity } from './by-hand'

const ask = (name: string, input: object) => {
  const found = calculators.find((each) => each.name === name)
  const asked = found?.run(input)
  if (!asked?.ok) throw new Error(`${name} ${JSON.stringify(input)}: ${JSON.stringify(asked)}`)
  expect(JSON.stringify(asked.value)).not.toContain('null')
  return asked.value as Record<string, number>
}
const within = (min: number, max: number) => fc.double({ min, max, noNaN: true })
/** Nearer than this share, or than a billionth. */
const near = (ours: number | undefined, theirs: number, share: number) =>
  expect(Math.abs((ours ?? Number.NaN) - theirs)).toBeLessThanOrEqual(share * Math.abs(theirs) + 1e-9)
const thousand = { numRuns: 1000, seed: 1126 }

test('viscosity is Walther’s line drawn anew', () => {
  fc.assert(
    fc.property(within(100, 2000), within(1.2, 5), within(-40, 100), (cold, hot, tempC) => {
      const points = [
        { tempC: -40, mm2PerS: cold },
        { tempC: 100, mm2PerS: hot },
      ]
      near(ask('viscosity', { points, tempC }).mm2PerS, viscosity(points, tempC), 1e-9)
    }),
    thousand,
  )
})

const pair = fc.tuple(within(190, 290), within(35, 95)).map(([dryC, falls]) => ({ dryC, wetC: dryC - falls }))

test('boiling point, and the water behind it, at any height: Raoult with Antoine’s equation, by halving', () => {
  fc.assert(
    fc.property(pair, within(0, 11), within(-300, 4000), ({ dryC, wetC }, waterPct, heightM) => {
      const { boilingC = Number.NaN } = ask('boiling-point', { dryC, wetC, waterPct, heightM })
      expect(Math.abs(boilingC - boilsC(dryC, wetC, waterPct, airKPa(heightM)))).toBeLessThan(0.6)
      const back = ask('water-from-boiling', { dryC, wetC, boilingC, heightM })
      const theirs = halving((pct) => -boilsC(dryC, wetC, pct, airKPa(heightM)), -boilingC, 0, 14)
      expect(Math.abs((back.waterPct ?? Number.NaN) - theirs)).toBeLessThan(0.02 + 0.06 * theirs)
      expect(back.beyondModel === undefined).toBe((back.waterPct ?? 0) <= 6)
    }),
    thousand,
  )
  near(antoineKPa(100), 101.42, 0.006)
})

const pieces = fc.array(fc.record({ lengthM: within(0.02, 20), boreMm: within(0.6, 12) }), {
  minLength: 1,
  maxLength: 4,
})

test('flow is the flow that takes the pressure, laminar or not', () => {
  fc.assert(
    fc.property(
      pieces,
      within(0.1, 3000),
      within(0.5, 1500),
      within(800, 1200),
      (segments, pressureKPa, mm2PerS, densityKgM3) => {
        const ours = ask('flow', { segments, pressureKPa, mm2PerS, densityKgM3 })
        near(ours.mlPerMin, flowMlPerMin(segments, pressureKPa, mm2PerS, densityKgM3), 1e-6)
      },
    ),
    thousand,
  )
})

test('restriction: the last piece, narrowed so, takes what the others leave', () => {
  fc.assert(
    fc.property(
      pieces,
      within(1, 500),
      within(2, 400),
      within(0.001, 1),
      (segments, pressureKPa, mm2PerS, share) => {
        const full = flowMlPerMin(segments, pressureKPa, mm2PerS, 1050)
        const mlPerMin = share * full
        const ours = ask('restriction', { segments, pressureKPa, mm2PerS, densityKgM3: 1050, mlPerMin })
        near(ours.expectedMlPerMin, full, 1e-6)
        const verdict = share >= 0.5 ? 'free' : share < 0.02 ? 'blocked' : 'restricted'
        if (Math.min(Math.abs(share - 0.5), Math.abs(share - 0.02)) > 1e-6) expect(ours.verdict).toBe(verdict)
        const last = segments.at(-1) ?? { lengthM: 1, boreMm: 1 }
        const narrowed = [...segments.slice(0, -1), { ...last, boreMm: ours.effectiveBoreMm ?? Number.NaN }]
        const takes = takesPa(narrowed, mlPerMin, mm2PerS, 1050) / 1000
        expect(ours.effectiveBoreMm).toBeLessThanOrEqual(last.boreMm)
        near(takes, pressureKPa, 1e-5)
      },
    ),
    thousand,
  )
})

test('purge is the upper tail of a gamma distribution (jStat), its laminar tail 1/(4θ²)', () => {
  fc.assert(
    fc.property(within(1, 5000), fc.integer({ min: 1, max: 20 }), within(0.1, 50), (volumeMl, tanks, pct) => {
      const ours = ask('purge', { volumeMl, tanks, targetOldPct: pct })
      near(1 - jStat.gamma.cdf(ours.volumes ?? 0, tanks, 1 / tanks), pct / 100, 1e-5)
      near(ours.ml, (ours.volumes ?? 0) * volumeMl, 1e-12)
      near(1 / (4 * ((ours.laminarMl ?? 0) / volumeMl) ** 2), pct / 100, 1e-9)
    }),
    thousand,
  )
})

test('trapped air: what Boyle leaves of it moves the pedal so far', () => {
  fc.assert(
    fc.property(
      within(8, 60),
      within(1, 8),
      within(0, 200),
      within(1, 20_000),
      (boreMm, pedalRatio, travel, kPa) => {
        const { airMl = Number.NaN } = ask('trapped-air', {
          boreMm,
          pedalRatio,
          extraTravelMm: travel,
          pressureKPa: kPa,
        })
        const squeezedMl = airMl - (airMl * 101.325) / (101.325 + kPa)
        near((squeezedMl / (Math.PI * (boreMm / 20) ** 2)) * 10 * pedalRatio, travel, 1e-9)
      },
    ),
    thousand,
  )
})

test('bubbles: buoyancy against Stokes’s drag, and gravity against surface tension', () => {
  fc.assert(
    fc.property(within(0.01, 2), within(0, 500), within(1, 1500), (bubbleMm, depthMm, mm2PerS) => {
      const ours = ask('bubble-rise', { bubbleMm, depthMm, mm2PerS })
      const density = 1000
      const speed = (ours.mmPerS ?? 0) / 1000
      const lift = ((density * 9.80665 * Math.PI) / 6) * (bubbleMm / 1000) ** 3
      near(3 * Math.PI * mm2PerS * 1e-6 * density * (bubbleMm / 1000) * speed, lift, 1e-9)
      near((ours.seconds ?? 0) * (ours.mmPerS ?? 0), depthMm, 1e-9)
      expect(ours.withinStokes).toBe((speed * bubbleMm) / 1000 / (mm2PerS * 1e-6) <= 1)
    }),
    thousand,
  )
  fc.assert(
    fc.property(
      within(0.2, 20),
      within(800, 1200),
      within(0.01, 0.08),
      (boreMm, densityKgM3, surfaceTensionNM) => {
        const ours = ask('bubble-sticks', { boreMm, densityKgM3, surfaceTensionNM })
        const number = (densityKgM3 * 9.80665 * (boreMm / 2000) * (boreMm / 2000)) / surfaceTensionNM
        near(ours.number, number, 1e-12)
        expect([ours.sticks, ours.marginal]).toEqual([number < 0.842, number >= 0.7 && number <= 1])
      },
    ),
    thousand,
  )
})

test('strokes are drawn one by one until the next would go below MIN; pistons hold cylinders', () => {
  fc.assert(
    fc.property(within(0, 400), within(0.5, 60), (usableMl, mlPerStroke) => {
      let [left, strokes] = [usableMl, 0]
      while (left - mlPerStroke >= -1e-7) [left, strokes] = [left - mlPerStroke, strokes + 1]
      expect(ask('top-up', { usableMl, mlPerStroke }).strokes).toBe(strokes)
    }),
    thousand,
  )
  const piston = fc.record({ diameterMm: within(5, 120), count: fc.integer({ min: 1, max: 8 }) })
  fc.assert(
    fc.property(fc.array(piston, { maxLength: 5 }), within(0, 40), (pistons, wearMm) => {
      let ml = 0
      for (const { diameterMm, count } of pistons)
        for (let k = 0; k < count; k++) ml += Math.PI * (diameterMm / 20) ** 2 * (wearMm / 10)
      near(ask('wear-drop', { pistons, wearMm }).ml, ml, 1e-9)
    }),
    thousand,
  )
})

test('verdict of one reading of DOT 4, from the limits of common practice written down anew', () => {
  const verdictOf = (kind: string, value: number) => {
    if (kind === 'megohm') return value < 5 ? 'replace' : 'retest'
    if (kind === 'copper-ppm')
      return value >= 200 ? 'replace' : value * 1.25 >= 200 || value >= 100 ? 'watch' : 'retest'
    const boils = kind === 'boiling-c' ? Math.min(value, 230) : boilsC(230, 155, value)
    const water = kind === 'water-pct' ? value : halving((pct) => -boilsC(230, 155, pct), -boils, 0, 14)
    if (water >= 3 || boils <= 155) return 'replace'
    return water >= 2 ? 'watch' : undefined
  }
  const reading = fc.oneof(
    fc.record({ kind: fc.constant('megohm'), value: within(0, 100) }),
    fc.record({ kind: fc.constant('copper-ppm'), value: within(0, 500) }),
    fc.record({ kind: fc.constant('water-pct'), value: within(0, 9) }),
    fc.record({ kind: fc.constant('boiling-c'), value: within(135, 300) }),
  )
  fc.assert(
    fc.property(reading, ({ kind, value }) => {
      const { verdict } = ask('moisture-verdict', { spec: 'DOT 4', reading: { kind, value, at: 'caliper' } })
      const [under, over] = [verdictOf(kind, value * 0.99), verdictOf(kind, value * 1.01)]
      // Where a hundredth of the reading decides, either is right; a dry one may still be watched for its band.
      if (under !== over) return
      if (under === undefined) expect(['keep', 'watch']).toContain(verdict)
      else expect(verdict).toBe(under)
    }),
    thousand,
  )
})

test('forecast from one or two readings: the usual rise from where they stand, both errors as one hypotenuse', () => {
  const straight = (pct: number) => -Math.log(1 - pct / 8)
  const slope = straight(1.5) / 365.25
  const slopeOff = (straight(2) - straight(1)) / 2 / 365.25
  const began = Date.UTC(2024, 0, 1) / 864e5
  const iso = (day: number) => new Date(Math.floor(day) * 864e5).toISOString().slice(0, 10)
  fc.assert(
    fc.property(
      fc.array(fc.tuple(within(0, 2.5), within(0.1, 1)), { minLength: 1, maxLength: 2 }),
      fc.integer({ min: 1, max: 120 }),
      within(3.2, 7),
      (read, apart, limitPct) => {
        const [first, second] = read
        // A fall counts as an exchange, which is another matter.
        fc.pre(!first || !second || second[0] >= first[0])
        const readings = read.map(([waterPct, errorPct], i) => ({
          date: iso(began + i * apart),
          waterPct,
          errorPct,
        }))
        const days = read.map((_, i) => i * apart)
        const mean = days.reduce((sum, day) => sum + day, 0) / days.length
        const stands =
          read.reduce((sum, [pct], i) => sum + straight(pct) + slope * (mean - (days[i] ?? 0)), 0) /
          read.length
        const off =
          Math.sqrt(read.reduce((sum, [pct, error]) => sum + (error / Math.max(1, 8 - pct)) ** 2, 0)) /
          read.length
        const gap = straight(limitPct) - stands
        // (slope·t − gap)² = off² + (slopeOff·t)²: its two roots are the two edges.
        const [a, b, c] = [slope ** 2 - slopeOff ** 2, -2 * slope * gap, gap ** 2 - off ** 2]
        const root = (sign: number) => (-b + sign * Math.sqrt(b * b - 4 * a * c)) / (2 * a)
        const ours = ask('moisture-forecast', {
          readings,
          limitPct,
          today: readings.at(-1)?.date,
        }) as unknown as Record<string, string>
        const today = began + (days.at(-1) ?? 0)
        const expected = [root(-1), gap / slope, root(1)].map((t) => Math.max(today, began + mean + t))
        for (const [i, key] of (['dueEarliest', 'dueLikely', 'dueLatest'] as const).entries())
          expect(Math.abs(Date.parse(ours[key] ?? '') / 864e5 - (expected[i] ?? Number.NaN))).toBeLessThan(
            1.01,
          )
        expect(ours.basis).toBe('default')
      },
    ),
    thousand,
  )
})
