import { dayNumber, isoDate } from '../../base/day'
import { ImpossibleInput } from '../../base/fault'
import { crossing } from '../../base/solve'
import { type DatedReading, dryEdgeOn, LEVELS_OFF_PCT, riseOf, straight, valueOn } from './rise'

export type Forecast = {
  dueEarliest: string
  dueLikely: string
  dueLatest: string
  basis: 'fitted' | 'default'
  /** Set where the newest reading is at the limit or past it: due since its day, whatever a line through all of them says. */
  readOn?: string
  /** Water fell beyond error up to this reading: an exchange nobody wrote down, and it counts from here. */
  fellOn?: string
}

/** Further ahead nobody forecasts. */
const HORIZON_DAYS = 30 * 365.25

/**
 * The day a limit on water is reached, as a range.
 *
 * @param readings since the last exchange, in any order; at least one where `freshOn` is left out
 * @param limitPct above 0, below where the rise levels off (8 %)
 * @param today ISO date; a limit already reached is due today
 * @param freshOn ISO date of the last exchange; readings before it are the old fluid's
 * @throws ImpossibleInput with the field at fault
 * @source see `riseOf`
 */
export function moistureForecast(input: {
  readings: readonly DatedReading[]
  limitPct: number
  today: string
  freshOn?: string
}): Forecast {
  const today = dayNumber(input.today)
  refuseImpossible(input, today)
  const readings = input.readings.filter(({ date }) => input.freshOn === undefined || date > input.freshOn)
  // The fit passes one bad reading over; but while nothing newer speaks against it, what was measured past the limit is
  // due, good reading or bad.
  const newest = readings.reduce<DatedReading | undefined>(
    (last, each) => (last === undefined || each.date >= last.date ? each : last),
    undefined,
  )
  const past = newest && newest.waterPct >= input.limitPct ? newest.date : undefined
  const rise = riseOf(readings, input.freshOn)
  const target = straight(input.limitPct)
  const horizon = today + HORIZON_DAYS
  /** The day on which the line, or one edge of where nine of ten would lie, comes to the limit. */
  const due = (edge: -1 | 0 | 1) => {
    const above = (day: number) => {
      if (edge < 0) return dryEdgeOn(rise, day) - target
      const { value, off } = valueOn(rise, day)
      return value + edge * off - target
    }
    if (past !== undefined || above(today) >= 0) return today
    return above(horizon) <= 0 ? horizon : crossing(above, 0, today, horizon)
  }
  const likely = due(0)
  return {
    dueEarliest: isoDate(due(1)),
    dueLikely: isoDate(likely),
    dueLatest: isoDate(Math.max(likely, due(-1))),
    basis: rise.basis,
    ...(past !== undefined && { readOn: past }),
    ...(rise.fellOn !== undefined && { fellOn: rise.fellOn }),
  }
}

function refuseImpossible(
  { readings, limitPct, freshOn }: { readings: readonly DatedReading[]; limitPct: number; freshOn?: string },
  today: number,
) {
  if (readings.length === 0 && freshOn === undefined)
    throw new ImpossibleInput('readings', 'give at least one reading')
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
