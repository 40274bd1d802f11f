import { dayNumber, isoDate } from '../calendar'
import { ImpossibleInput } from '../fault'

export type DatedReading = { date: string; waterPct: number }
export type Forecast = {
  dueEarliest: string
  dueLikely: string
  dueLatest: string
  basis: 'fitted' | 'default'
}

/** Where the rise levels off: fluid in service takes up no more than this. @source from memory */
const LEVELS_OFF_PCT = 8
/** Rise of fresh fluid in a year, and its range. @source from memory: 1 to 2 % a year */
const USUAL_PCT_PER_YEAR = { slow: 1, likely: 1.5, quick: 2 }
const DAYS_PER_YEAR = 365.25
/** Fewer readings, or closer together, say nothing of a rise. @source from memory */
const LEAST_READINGS = 3
const LEAST_SPAN_DAYS = 180
/** How far a single reading may be off. @source from memory */
const READING_ERROR_PCT = 0.3
/** Further ahead nobody forecasts. */
const HORIZON_DAYS = 30 * DAYS_PER_YEAR

/** Water as it would stand without levelling off: then the rise is a straight line. */
const straight = (waterPct: number) =>
  -Math.log(1 - Math.min(waterPct, 0.999 * LEVELS_OFF_PCT) / LEVELS_OFF_PCT)

/**
 * The day a limit on water is reached, as a range.
 *
 * Water rises towards a level at which it stays: w = S·(1 − e^(−k·t)). Three readings or more over half a year are
 * fitted by the median of all slopes between two of them (Theil–Sen), which one bad reading cannot carry off; with
 * fewer, 1 to 2 % a year is assumed and said so. The range is the spread of those slopes and the error of a reading.
 *
 * @param readings since the last exchange, in any order, at least one
 * @param limitPct above 0, below where the rise levels off (8 %)
 * @param today ISO date; a limit already reached is due today
 * @throws ImpossibleInput with the field at fault
 * @source first-order uptake; Theil 1950, Sen 1968; default rise and level from memory
 */
export function moistureForecast(input: {
  readings: readonly DatedReading[]
  limitPct: number
  today: string
}): Forecast {
  const readings = input.readings
    .map(({ date, waterPct }) => ({ day: dayNumber(date), waterPct }))
    .sort((a, b) => a.day - b.day)
  const today = dayNumber(input.today)
  refuseImpossible(input, today)
  const rise = fittedRise(readings)
  const slopes = rise ?? defaultRise
  // Each reading carried along the likely rise to one day; their median is where the line stands.
  const anchorDay = readings.at(-1)?.day ?? today
  const anchor = median(
    readings.map(({ day, waterPct }) => straight(waterPct) + slopes.likely * (anchorDay - day)),
  )
  const error = READING_ERROR_PCT / (LEVELS_OFF_PCT - Math.min(input.limitPct, LEVELS_OFF_PCT - 1))
  const target = straight(input.limitPct)
  const due = (slope: number, from: number) => {
    const days = slope > 0 ? (target - from) / slope : target > from ? Number.POSITIVE_INFINITY : 0
    return Math.max(today, Math.min(anchorDay + days, today + HORIZON_DAYS))
  }
  const likely = due(slopes.likely, anchor)
  return {
    dueEarliest: isoDate(Math.min(likely, due(slopes.quick, anchor + error))),
    dueLikely: isoDate(likely),
    dueLatest: isoDate(Math.max(likely, due(slopes.slow, anchor - error))),
    basis: rise ? 'fitted' : 'default',
  }
}

type Rise = { slow: number; likely: number; quick: number }

/** Fresh fluid rises by 1.5 % in its first year, so by less as it fills. */
const perDay = (pctPerYear: number) => straight(pctPerYear) / DAYS_PER_YEAR
const defaultRise: Rise = {
  slow: perDay(USUAL_PCT_PER_YEAR.slow),
  likely: perDay(USUAL_PCT_PER_YEAR.likely),
  quick: perDay(USUAL_PCT_PER_YEAR.quick),
}

function fittedRise(readings: readonly { day: number; waterPct: number }[]): Rise | undefined {
  const span = (readings.at(-1)?.day ?? 0) - (readings[0]?.day ?? 0)
  if (readings.length < LEAST_READINGS || span < LEAST_SPAN_DAYS) return undefined
  const slopes = readings.flatMap((from, i) =>
    readings
      .slice(i + 1)
      .filter(({ day }) => day > from.day)
      .map(({ day, waterPct }) => (straight(waterPct) - straight(from.waterPct)) / (day - from.day)),
  )
  const likely = median(slopes)
  const spread = median(slopes.map((slope) => Math.abs(slope - likely)))
  // Water does not leave by itself: a rise below nothing is the testers', not the fluid's.
  return likely > 0 ? { slow: Math.max(0, likely - spread), likely, quick: likely + spread } : undefined
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length / 2
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2
}

function refuseImpossible(
  { readings, limitPct }: { readings: readonly DatedReading[]; limitPct: number },
  today: number,
) {
  if (readings.length === 0) throw new ImpossibleInput('readings', 'give at least one reading')
  if (!(limitPct > 0 && limitPct < LEVELS_OFF_PCT))
    throw new ImpossibleInput('limitPct', `give a limit above 0 and below ${LEVELS_OFF_PCT} %`)
  readings.forEach(({ date, waterPct }, i) => {
    if (!(waterPct >= 0 && waterPct <= 100))
      throw new ImpossibleInput(`readings.${i}.waterPct`, 'give water by mass from 0 to 100 %')
    if (dayNumber(date) > today)
      throw new ImpossibleInput(
        `readings.${i}.date`,
        'give a day up to today: nothing was read in the future',
      )
  })
}
