import type { Band } from '../../base/band'
import { dayNumber } from '../../base/day'

/** Where the rise levels off: fluid in service takes up no more than this. @source from memory */
export const LEVELS_OFF_PCT = 8
/** Rise of fresh fluid in a year, and its range. @source from memory: 1 to 2 % a year */
const USUAL_PCT_PER_YEAR = { slow: 1, likely: 1.5, quick: 2 }
/** Readings that stay alike are a meter that cannot tell, never fluid that takes up nothing. @source from memory */
const LEAST_PCT_PER_YEAR = 0.4
const DAYS_PER_YEAR = 365.25
/** Fewer readings, or closer together, say nothing of a rise. @source from memory */
const LEAST_READINGS = 3
const LEAST_SPAN_DAYS = 180
/** How far nine of ten readings are off at most, where their tester says nothing better. @source from memory: 0.5 to 1 % */
const READING_ERROR_PCT = 0.75
/** No reading is surer than this, whatever its tester claims. @source from memory */
const LEAST_ERROR_PCT = 0.1
/** Water in fluid that has just been exchanged: what was in the bottle, and what the exchange left. @source from memory */
export const FRESH_PCT = 0.2

/** Water as it would stand without levelling off: then the rise is a straight line. */
export const straight = (waterPct: number) =>
  -Math.log(1 - Math.min(waterPct, 0.999 * LEVELS_OFF_PCT) / LEVELS_OFF_PCT)
const bent = (value: number) => LEVELS_OFF_PCT * (1 - Math.exp(-value))

/** Fresh fluid rises by so much in its first year, so by less as it fills. */
const perDay = (pctPerYear: number) => straight(pctPerYear) / DAYS_PER_YEAR
/** No slower than this, whatever the readings say. */
const leastSlope = perDay(LEAST_PCT_PER_YEAR)
const usual = {
  slope: perDay(USUAL_PCT_PER_YEAR.likely),
  off: (perDay(USUAL_PCT_PER_YEAR.quick) - perDay(USUAL_PCT_PER_YEAR.slow)) / 2,
}

/** @property errorPct how far nine of ten such readings are off at most */
export type DatedReading = { date: string; waterPct: number; errorPct?: number }
type Point = { day: number; value: number; errorPct: number }

/** A rise of water: how fast and from where, each with how far nine of ten would be off. Values are straightened. */
export type Rise = {
  slope: number
  slopeOff: number
  anchorDay: number
  anchor: number
  anchorOff: number
  basis: 'fitted' | 'default'
  /** How much the vehicle's own readings count against the usual rise, 0 to 1. */
  ownShare: number
  /** Water fell beyond error up to this reading: an exchange nobody wrote down. What came before counts no more. */
  fellOn?: string
}

/**
 * How water rises in one vehicle's fluid.
 *
 * Water rises towards a level at which it stays: w = S·(1 − e^(−k·t)). With three readings or more over half a year
 * (fresh fluid on its day counts as one) k is the median of all slopes between two of them (Theil–Sen), which one bad
 * reading cannot carry off, weighed against the usual 1 to 2 % a year by how surely these readings can tell a slope:
 * close together they hardly count, over years they decide. With fewer it is the usual rise alone, and said so.
 *
 * @param readings since the last exchange, in any order
 * @param freshOn day of that exchange; either it or a reading is there
 * @source first-order uptake; Theil 1950, Sen 1968; mean of two normal estimates by inverse variance; default rise and level from memory
 */
export function riseOf(readings: readonly DatedReading[], freshOn?: string): Rise {
  const inOrder = [...readings].sort((a, b) => dayNumber(a.date) - dayNumber(b.date))
  const fall = lastFall(inOrder)
  const fellOn = fall === undefined ? undefined : inOrder[fall]?.date
  return fellOn === undefined
    ? riseSince(inOrder, freshOn)
    : { ...riseSince(inOrder.slice(fall), undefined), fellOn }
}

function riseSince(readings: readonly DatedReading[], freshOn: string | undefined): Rise {
  const points: Point[] = [
    ...(freshOn === undefined
      ? []
      : [{ day: dayNumber(freshOn), value: straight(FRESH_PCT), errorPct: FRESH_PCT }]),
    ...readings.map(({ date, waterPct, errorPct = READING_ERROR_PCT }) => ({
      day: dayNumber(date),
      value: straight(waterPct),
      errorPct: Math.max(LEAST_ERROR_PCT, errorPct),
    })),
  ].sort((a, b) => a.day - b.day)
  const span = (points.at(-1)?.day ?? 0) - (points[0]?.day ?? 0)
  const own = points.length >= LEAST_READINGS && span >= LEAST_SPAN_DAYS ? ownSlope(points) : undefined
  const { slope, off } = own ? weighed(own) : usual
  const wider = own?.wider ?? 1
  // Each reading carried along the likely rise to their mean day, where a slope's error moves the line least; their
  // median is where the line stands.
  const anchorDay = points.reduce((sum, { day }) => sum + day, 0) / points.length
  const anchor = median(points.map(({ day, value }) => value + slope * (anchorDay - day)))
  return {
    slope,
    slopeOff: off,
    anchorDay,
    anchor,
    anchorOff: (wider * medianOff(points.length) * errorOf(points)) / Math.sqrt(points.length),
    basis: own ? 'fitted' : 'default',
    ownShare: own ? ownShareOf(own.byDays) : 0,
  }
}

/** Water on a day by a rise, straightened, and how far off nine of ten would be: both errors together. */
export function valueOn({ slope, slopeOff, anchorDay, anchor, anchorOff }: Rise, day: number) {
  const days = day - anchorDay
  return { value: anchor + slope * days, off: Math.hypot(anchorOff, slopeOff * days) }
}

/** The dry edge of where nine of ten would lie: its rise is never slower than any fluid's in service. */
export function dryEdgeOn(rise: Rise, day: number): number {
  const { value, off } = valueOn(rise, day)
  const slowest = rise.anchor - rise.anchorOff + leastSlope * (day - rise.anchorDay)
  return day > rise.anchorDay ? Math.max(value - off, slowest) : value - off
}

/** Water on a day by a rise, in %. */
export function waterOn(rise: Rise, day: number): Band {
  const { value, off } = valueOn(rise, day)
  const pct = (straightened: number) => bent(Math.max(0, straightened))
  return { low: pct(value - off), likely: pct(value), high: pct(value + off) }
}

/** By the days alone, so that lower readings never count for more. */
const ownShareOf = (byDays: number) => usual.off ** 2 / (usual.off ** 2 + byDays ** 2)

/** The vehicle's own slope against the usual one; how far nine of ten such means are off, for whatever share. */
function weighed({ slope, byDays, off }: OwnSlope): { slope: number; off: number } {
  const share = ownShareOf(byDays)
  return {
    slope: Math.max(leastSlope, share * slope + (1 - share) * usual.slope),
    off: Math.hypot(share * off, (1 - share) * usual.off),
  }
}

/**
 * The slope of one vehicle's readings.
 * `byDays`, `off`: how far nine of ten are off, were all of it as near to level as fresh fluid, and as it is.
 * `wider`: how much more the readings scatter than their testers say, 1 or more.
 */
type OwnSlope = { slope: number; byDays: number; off: number; wider: number }

/** The median of slopes is off by a little more than least squares would be. @source Sen 1968: efficiency about 0.8 for few */
const MEDIAN_SLOPE_OFF = 1.15
/** The median of many is off by a quarter more than their mean; of one or two it is the mean. @source √(π/2) for many */
const medianOff = (readings: number) => (readings > 2 ? 1.3 : 1)

function ownSlope(points: readonly Point[]): OwnSlope {
  const slopes = points.flatMap((from, i) =>
    points
      .slice(i + 1)
      .filter(({ day }) => day > from.day)
      .map(({ day, value }) => (value - from.value) / (day - from.day)),
  )
  // Water does not leave by itself: a fall is the testers', not the fluid's.
  const slope = Math.max(0, median(slopes))
  const meanDay = points.reduce((sum, { day }) => sum + day, 0) / points.length
  const scatter = Math.sqrt(points.reduce((sum, { day }) => sum + (day - meanDay) ** 2, 0))
  const byEach = Math.hypot(...points.map((point) => (point.day - meanDay) * offOf(point))) / scatter ** 2
  const wider = scatterBeyond(points, slope)
  return {
    slope,
    byDays:
      Math.sqrt(points.reduce((sum, { errorPct }) => sum + errorPct ** 2, 0) / points.length) /
      LEVELS_OFF_PCT /
      scatter,
    off: wider * MEDIAN_SLOPE_OFF * byEach,
    wider,
  }
}

/** How much more the readings scatter about their line than their testers' errors allow, were one of them bad. */
function scatterBeyond(points: readonly Point[], slope: number): number {
  const level = median(points.map(({ day, value }) => value - slope * day))
  const shares = points.map((point) => Math.abs(point.value - level - slope * point.day) / offOf(point))
  // Half of sound ones lie within 0.41 of what nine of ten lie within; twice that is no chance any more.
  return Math.max(1, median(shares) / (2 * HALF_WITHIN))
}

/** Of a normal spread: what half lie within over what nine of ten lie within. */
const HALF_WITHIN = 0.674 / 1.645

/** How far nine of ten such readings are off, straightened at their own level. */
const offOf = ({ value, errorPct }: Point) => errorPct / Math.max(1, LEVELS_OFF_PCT - bent(value))

/** The same of all of them, in the mean of squares. */
const errorOf = (points: readonly Point[]): number =>
  Math.hypot(...points.map(offOf)) / Math.sqrt(points.length)

/** Readings just before a fall that it is held against. */
const BEFORE_FALL = 3

/**
 * Where water fell by more than two readings can be off: an exchange that nobody wrote down, since water does not leave
 * by itself. One low reading between high ones is a bad reading: the next must stand below what was there before too.
 *
 * @param readings in order of date
 * @returns of the last such fall, the first reading after it; undefined where there is none
 * @source common practice
 */
function lastFall(readings: readonly DatedReading[]): number | undefined {
  for (let i = readings.length - 1; i > 0; i--) {
    const [now, next] = [readings[i], readings[i + 1]]
    const before = readings.slice(Math.max(0, i - BEFORE_FALL), i)
    if (!now) continue
    const stood = median(before.map(({ waterPct }) => waterPct))
    const off = Math.hypot(now.errorPct ?? READING_ERROR_PCT, before.at(-1)?.errorPct ?? READING_ERROR_PCT)
    if (now.waterPct < stood - off && (!next || next.waterPct < stood)) return i
  }
  return undefined
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length / 2
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2
}
