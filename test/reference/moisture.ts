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

/** Ideal mixture by hand: the vapour pressures' own sum at the temperature ours found. */
const ideal = (() => {
  const boilsC = boilingWithActivityC(205, 2, 1)
  const water = 2 / 18.015
  const x = water / (water + 98 / 164.2)
  const solvent = 101.325 * Math.exp((88 / 8.314462618) * (1 - (205 + 273.15) / (boilsC + 273.15)))
  return x * waterVapourKPa(boilsC) + (1 - x) * solvent
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
    what: 'sum of the two vapour pressures where an ideal mixture boils, kPa',
    kind: 'closed form',
    source: 'Raoult’s law: 101.325',
    ours: ideal,
    theirs: 101.325,
    withinShare: 1e-9,
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
  {
    calculator: 'water-from-boiling',
    what: 'DOT 4 that boils at its wet minimum, % water',
    kind: 'published, recalled',
    source: 'FMVSS 116 S6.2: 3.70 ± 0.05 %',
    ours: waterFromBoiling({ ...dot4, boilingC: 155 }).waterPct,
    theirs: 3.7,
    withinShare: 0.013,
  },
  {
    calculator: 'water-from-boiling',
    what: 'back from the boiling point of 1.9 %, % water',
    kind: 'closed form',
    source: 'inverse of the inverse',
    ours: waterFromBoiling({ ...dot4, boilingC: boilingPoint({ ...dot4, waterPct: 1.9 }).boilingC }).waterPct,
    theirs: 1.9,
    withinShare: 1e-6,
  },
  {
    calculator: 'moisture-verdict',
    what: 'boiling point behind a reading of 3.7 % in DOT 5.1, °C',
    kind: 'published, recalled',
    source: 'FMVSS 116: wet boiling point 180 °C',
    ours:
      judged('DOT 5.1', { kind: 'water-pct', value: 3.7, at: 'reservoir' }).boilingC?.likely ?? Number.NaN,
    theirs: 180,
    withinShare: 1e-6,
  },
  {
    calculator: 'moisture-verdict',
    what: 'water behind a sample that boiled where 1.9 % boils, %',
    kind: 'closed form',
    source: 'inverse of the inverse',
    ours:
      judged('DOT 4', {
        kind: 'boiling-c',
        value: boilingPoint({ ...dot4, waterPct: 1.9 }).boilingC,
        at: 'caliper',
      }).waterPct?.likely ?? Number.NaN,
    theirs: 1.9,
    withinShare: 1e-6,
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
