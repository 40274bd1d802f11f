import { linearRegression } from 'simple-statistics'
import { dayNumber } from '~core/base/day'
import { judgeFluid } from '~core/fluid/judge'
import { measuredLimits } from '~core/fluid/policy/policy'
import { takenReading } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'
import { boilingPoint, boilingWithActivityC, waterFromBoiling } from '~core/physics/moisture/boiling-point'
import { moistureForecast } from '~core/physics/moisture/forecast'
import { airPressureKPa, atSeaLevelC } from '~core/physics/moisture/height'
import { waterVapourKPa } from '~core/physics/moisture/water-vapour'
import type { Check } from './check'

const dot4 = { dryC: 230, wetC: 155 }

/** Readings with a little scatter; their straightened rise by a regression library, per year. */
const readings = [
  { date: '2021-01-01', waterPct: 0.2 },
  { date: '2022-01-01', waterPct: 1.3 },
  { date: '2023-01-01', waterPct: 2.2 },
  { date: '2024-01-01', waterPct: 3.0 },
].map((each) => ({ ...each, errorPct: 0.1 }))
function daysByRegression(limitPct: number): number {
  const straight = (pct: number) => -Math.log(1 - pct / 8)
  const { m, b } = linearRegression(readings.map((each) => [dayNumber(each.date), straight(each.waterPct)]))
  return (straight(limitPct) - b) / m
}
const forecastDay = (limitPct: number) =>
  dayNumber(moistureForecast({ readings, limitPct, today: '2024-02-01' }).dueLikely)

/** Water's vapour pressure by Antoine's equation, kPa: other coefficients than ours (99 to 374 °C, recalled). */
const antoineKPa = (tempC: number) => 10 ** (8.14019 - 1810.94 / (244.485 + tempC)) * 0.133322
/** The same mixture worked out anew: Raoult with Antoine, fitted at the wet point, found by halving. */
function boilsByHand({ dryC, wetC }: typeof dot4, waterPct: number): number {
  const x = (pct: number) => pct / 18.015 / (pct / 18.015 + (100 - pct) / 164.2)
  const solvent = (tempC: number) =>
    101.325 * Math.exp((88 / 8.314462618) * (1 - (dryC + 273.15) / (tempC + 273.15)))
  const gamma = (101.325 - (1 - x(3.7)) * solvent(wetC)) / (x(3.7) * antoineKPa(wetC))
  let [low, high] = [90, dryC]
  while (high - low > 1e-9) {
    const tempC = (low + high) / 2
    const sum = x(waterPct) * gamma * antoineKPa(tempC) + (1 - x(waterPct)) * solvent(tempC)
    if (sum > 101.325) high = tempC
    else low = tempC
  }
  return low
}
/** Water that boils there, by halving the former. */
function waterByHand(boilingC: number): number {
  let [low, high] = [0, 20]
  while (high - low > 1e-9) {
    const pct = (low + high) / 2
    if (boilsByHand(dot4, pct) > boilingC) low = pct
    else high = pct
  }
  return low
}
/** The late edge after one reading: where anchor − off + slope·t − hypot leaves the limit, a quadratic by hand. */
const lateDays = (() => {
  const straight = (pct: number) => -Math.log(1 - pct / 8)
  const slope = straight(1.5) / 365.25
  const slopeOff = (straight(2) - straight(1)) / 2 / 365.25
  const [gap, anchorOff] = [straight(3) - straight(1), 0.5 / 7]
  // (slope·t − gap)² = anchorOff² + (slopeOff·t)², the later root.
  const [a, b, c] = [slope ** 2 - slopeOff ** 2, -2 * slope * gap, gap ** 2 - anchorOff ** 2]
  return (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a)
})()

const judged = (spec: FluidSpec, reading: Parameters<typeof takenReading>[0]) =>
  judgeFluid({ spec, kind: 'car', readings: [takenReading(reading)], heightM: 0 }, measuredLimits())

export const moistureChecks: readonly Check[] = [
  ...(
    [
      [100, 101.42],
      [140, 361.5],
      [180, 1002.8],
    ] as const
  ).map(
    ([tempC, kPa]): Check => ({
      calculator: 'boiling-point',
      what: `saturation pressure of water at ${tempC} °C, kPa`,
      kind: 'published, recalled',
      source: 'IAPWS SR1-86, Wagner & Pruss 1993',
      ours: waterVapourKPa(tempC),
      theirs: kPa,
      withinShare: 3e-4,
    }),
  ),
  {
    calculator: 'boiling-point',
    what: 'pure water, nothing fitted, °C',
    kind: 'published, recalled',
    source: 'IAPWS: normal boiling point 99.97 °C',
    ours: boilingWithActivityC(205, 100, 1),
    theirs: 99.97,
    withinShare: 2e-4,
  },
  {
    calculator: 'boiling-point',
    what: 'DOT 3 at 3.7 % water, nothing fitted, °C',
    kind: 'published, recalled',
    source: 'FMVSS 116: wet boiling point 140 °C at least',
    ours: boilingWithActivityC(205, 3.7, 1),
    theirs: 140,
    withinShare: 0.02,
  },
  {
    calculator: 'boiling-point',
    what: 'air pressure at 1000 m, kPa',
    kind: 'published, recalled',
    source: 'ISO 2533 standard atmosphere: 89.875',
    ours: airPressureKPa(1000),
    theirs: 89.875,
    withinShare: 1e-4,
  },
  {
    calculator: 'boiling-point',
    what: 'dry DOT 4 at 1000 m, °C',
    kind: 'closed form',
    source: 'Clausius–Clapeyron: 1/T = 1/503.15 − ln(89.875/101.325)/(88·503.15/8.314), by hand',
    ours: boilingPoint({ ...dot4, waterPct: 0, pressureKPa: airPressureKPa(1000) }).boilingC,
    theirs: 1 / ((1 - (Math.log(89.875 / 101.325) * 8.314462618) / 88) / 503.15) - 273.15,
    withinShare: 1e-5,
  },
  {
    calculator: 'boiling-point',
    what: 'silicone measured 200 °C at 1000 m, at the sea, °C',
    kind: 'published, recalled',
    source: 'FMVSS 116 S6.1: 0.04 °C for each of 85.9 mmHg',
    ours: atSeaLevelC(200, 1000, undefined),
    theirs: 200 + 0.04 * 85.9,
    withinShare: 1e-4,
  },
  ...[0.5, 1, 2, 3, 5].map(
    (waterPct): Check => ({
      calculator: 'boiling-point',
      what: `DOT 4 with ${waterPct} % water, between its anchors and past them, °C`,
      kind: 'closed form',
      source: 'Raoult with Antoine’s equation (recalled) instead, by halving',
      ours: boilingPoint({ ...dot4, waterPct }).boilingC,
      theirs: boilsByHand(dot4, waterPct),
      withinShare: 0.002,
    }),
  ),
  ...[150, 170, 200].map(
    (boilingC): Check => ({
      calculator: 'water-from-boiling',
      what: `DOT 4 that boils at ${boilingC} °C, % water`,
      kind: 'closed form',
      source: 'Raoult with Antoine’s equation (recalled) instead, by halving',
      ours: waterFromBoiling({ ...dot4, boilingC }).waterPct,
      theirs: waterByHand(boilingC),
      withinShare: 0.01,
    }),
  ),
  {
    calculator: 'moisture-verdict',
    what: 'limit for a boiled sample of DOT 5.1, °C',
    kind: 'published, recalled',
    source: 'FMVSS 116: wet boiling point 180 °C',
    ours: judged('DOT 5.1', { kind: 'boiling-c', value: 190, at: 'caliper' }).limitC ?? Number.NaN,
    theirs: 180,
    withinShare: 0,
  },
  {
    calculator: 'moisture-verdict',
    what: 'water behind a sample that boiled at 170 °C, %',
    kind: 'closed form',
    source: 'Raoult with Antoine’s equation (recalled) instead, by halving',
    ours: judged('DOT 4', { kind: 'boiling-c', value: 170, at: 'caliper' }).waterPct?.likely ?? Number.NaN,
    theirs: waterByHand(170),
    withinShare: 0.01,
  },
  {
    calculator: 'moisture-verdict',
    what: 'likely boiling point behind a percentage meter at 2 %, °C',
    kind: 'closed form',
    source: 'the same',
    ours: judged('DOT 4', { kind: 'water-pct', value: 2, at: 'reservoir' }).boilingC?.likely ?? Number.NaN,
    theirs: boilsByHand(dot4, 2),
    withinShare: 0.002,
  },
  {
    calculator: 'moisture-forecast',
    what: 'days until nine of ten have come to 3 %, from one reading of 1 ± 0.5 %',
    kind: 'closed form',
    source: 'both errors as one hypotenuse: a quadratic by hand',
    ours:
      dayNumber(
        moistureForecast({
          readings: [{ date: '2026-01-01', waterPct: 1, errorPct: 0.5 }],
          limitPct: 3,
          today: '2026-01-01',
        }).dueLatest,
      ) - dayNumber('2026-01-01'),
    theirs: lateDays,
    withinShare: 0.003,
  },
  {
    calculator: 'moisture-forecast',
    what: 'days from the last reading to 4 %, four readings of a sure tester',
    kind: 'library',
    source: 'simple-statistics, least squares instead of the median of slopes',
    ours: forecastDay(4) - dayNumber('2024-01-01'),
    theirs: daysByRegression(4) - dayNumber('2024-01-01'),
    withinShare: 0.1,
  },
  {
    calculator: 'moisture-forecast',
    what: 'days from a fresh fill to 1.5 % by the default rise',
    kind: 'closed form',
    source: '1.5 % in the first year: 365.25 days',
    ours:
      dayNumber(
        moistureForecast({
          readings: [{ date: '2026-01-01', waterPct: 0 }],
          limitPct: 1.5,
          today: '2026-01-01',
        }).dueLikely,
      ) - dayNumber('2026-01-01'),
    theirs: 365.25,
    withinShare: 0.003,
  },
]
