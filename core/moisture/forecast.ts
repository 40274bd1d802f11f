import { dayNumber, isoDate } from '../calendar'
import { ImpossibleInput } from '../fault'
import { type DatedReading, LEVELS_OFF_PCT, riseOf, straight } from './rise'

export type Forecast = {
  dueEarliest: string
  dueLikely: string
  dueLatest: string
  basis: 'fitted' | 'default'
}

/** Further ahead nobody forecasts. */
const HORIZON_DAYS = 30 * 365.25

/**
 * The day a limit on water is reached, as a range.
 *
 * @param readings since the last exchange, in any order; at least one where `freshOn` is left out
 * @param limitPct above 0, below where the rise levels off (8 %)
 * @param today ISO date; a limit already reached is due today
 * @param freshOn ISO date of the last exchange
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
  const { slopes, anchorDay, anchor, basis } = riseOf(input.readings, input.freshOn)
  const target = straight(input.limitPct)
  const due = (slope: number, from: number) => {
    const days = slope > 0 ? (target - from) / slope : target > from ? Number.POSITIVE_INFINITY : 0
    return Math.max(today, Math.min(anchorDay + days, today + HORIZON_DAYS))
  }
  const likely = due(slopes.likely, anchor.likely)
  return {
    dueEarliest: isoDate(Math.min(likely, due(slopes.quick, anchor.high))),
    dueLikely: isoDate(likely),
    dueLatest: isoDate(Math.max(likely, due(slopes.slow, anchor.low))),
    basis,
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
