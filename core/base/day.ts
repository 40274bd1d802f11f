/**
 * Days since 1970-01-01 of a calendar day, without a clock or a time zone.
 *
 * @param isoDate like 2026-04-09, a day that exists
 * @source proleptic Gregorian calendar: years run from March, so that the leap day comes last
 */
export function dayNumber(isoDate: string): number {
  const [year = 0, month = 1, day = 1] = isoDate.split('-').map(Number)
  const marchYear = month <= 2 ? year - 1 : year
  const monthFromMarch = (month + 9) % 12
  const dayOfYear = Math.floor((153 * monthFromMarch + 2) / 5) + day - 1
  return (
    365 * marchYear +
    Math.floor(marchYear / 4) -
    Math.floor(marchYear / 100) +
    Math.floor(marchYear / 400) +
    dayOfYear -
    719_468
  )
}

/** The calendar day of a day number, rounded down. */
export function isoDate(days: number): string {
  const shifted = Math.floor(days) + 719_468
  // The year is found from its mean length, then put right by the day it begins on.
  let marchYear = Math.floor((shifted + 306) / 365.2425)
  const begins = (year: number) =>
    365 * year + Math.floor(year / 4) - Math.floor(year / 100) + Math.floor(year / 400)
  while (begins(marchYear) > shifted) marchYear--
  while (begins(marchYear + 1) <= shifted) marchYear++
  const dayOfYear = shifted - begins(marchYear)
  const monthFromMarch = Math.floor((5 * dayOfYear + 2) / 153)
  const day = dayOfYear - Math.floor((153 * monthFromMarch + 2) / 5) + 1
  const month = ((monthFromMarch + 2) % 12) + 1
  const year = month <= 2 ? marchYear + 1 : marchYear
  return [String(year).padStart(4, '0'), String(month).padStart(2, '0'), String(day).padStart(2, '0')].join(
    '-',
  )
}

/** The same day so many months later, or the last of that month where it has no such day. */
export function monthsAfter(isoDay: string, months: number): string {
  const [year = 0, month = 1, day = 1] = isoDay.split('-').map(Number)
  const index = year * 12 + month - 1 + months
  const first = (i: number) =>
    dayNumber(`${String(Math.floor(i / 12)).padStart(4, '0')}-${String((i % 12) + 1).padStart(2, '0')}-01`)
  return isoDate(first(index) + Math.min(day, first(index + 1) - first(index)) - 1)
}

/**
 * Calendar months from one day to a later one, with the share of the month that has begun; below 0 where it is earlier.
 * Whole exactly on the day that `monthsAfter` gives, so that a limit in months is reached on the day it is listed for.
 */
export function monthsBetween(from: string, to: string): number {
  const [fromYear = 0, fromMonth = 1] = from.split('-').map(Number)
  const [toYear = 0, toMonth = 1] = to.split('-').map(Number)
  const day = dayNumber(to)
  const begins = (months: number) => dayNumber(monthsAfter(from, months))
  const same = (toYear - fromYear) * 12 + toMonth - fromMonth
  const whole = begins(same) <= day ? same : same - 1
  return whole + (day - begins(whole)) / (begins(whole + 1) - begins(whole))
}

/**
 * Seconds from one moment to another; below 0 where the second is earlier.
 *
 * @param fromIso, toIso UTC, like 2026-04-09T08:30:00.250Z
 */
export const secondsBetween = (fromIso: string, toIso: string): number => secondOf(toIso) - secondOf(fromIso)

function secondOf(iso: string): number {
  const [hours = 0, minutes = 0, seconds = 0] = iso.slice(11, -1).split(':').map(Number)
  return ((dayNumber(iso.slice(0, 10)) * 24 + hours) * 60 + minutes) * 60 + seconds
}
