import { useCallback, useMemo } from 'react'
import { showDate } from '~/lib/format'
import { dayNumber } from '~core/base/day'
import { riseOf, waterOn } from '~core/physics/moisture/rise'
import { Chart } from './chart'
import { acrossAxis, band, curve, dots, errorBars, frame, type Look, marks, upAxis, type XY } from './look'

export type ChartReading = {
  on: string
  pct: number
  low: number
  high: number
  place: 'reservoir' | 'caliper'
}

type Props = {
  /** Silicone and mineral oil take up no water: for them there is nothing to draw. */
  takesWater: boolean
  readings: readonly ChartReading[]
  exchanges: readonly string[]
  limitPct?: number
  today: string
  className?: string
}

const DAY_MS = 864e5
const CURVE_POINTS = 60
/** Far enough to see the limit reached, near enough that the readings are not squeezed. */
const LEAST_AHEAD_DAYS = 365
const MOST_AHEAD_DAYS = 5 * 365

/** Water over the years: readings with how far they may be off, exchanges, and how it will rise. */
export function WaterChart({ takesWater, readings, exchanges, limitPct, today, className }: Props) {
  const last = exchanges.at(-1)
  const now = useMemo(() => readings.filter(({ on }) => last === undefined || on > last), [readings, last])
  const rise = useMemo(
    () =>
      now.length > 0 || last !== undefined
        ? riseOf(
            now.map(({ on, pct, high }) => ({ date: on, waterPct: pct, errorPct: high - pct })),
            last,
          )
        : undefined,
    [now, last],
  )
  const draw = useCallback(
    (look: Look) => {
      const start = dayNumber(last ?? now[0]?.on ?? today)
      const todayNumber = dayNumber(today)
      let end = todayNumber + LEAST_AHEAD_DAYS
      if (rise && limitPct !== undefined)
        while (end < todayNumber + MOST_AHEAD_DAYS && waterOn(rise, end).low < limitPct) end += 30
      const days = Array.from(
        { length: CURVE_POINTS + 1 },
        (_, i) => start + ((end - start) * i) / CURVE_POINTS,
      )
      const on = rise ? days.map((day) => ({ ms: day * DAY_MS, ...waterOn(rise, day) })) : []
      const place = (where: ChartReading['place'], list: readonly ChartReading[]): XY[] =>
        list.filter((each) => each.place === where).map((each) => [Date.parse(each.on), each.pct])
      const gone = readings.filter((each) => !now.includes(each))
      return {
        ...frame(look),
        xAxis: {
          ...acrossAxis(look, { name: '', type: 'time' }),
          axisLabel: { color: look.ink, fontSize: 14, hideOverlap: true },
        },
        yAxis: upAxis(look, { name: 'water, %', min: 0, max: 6 }),
        series: [
          ...band(
            look,
            on.map(({ ms, low }): XY => [ms, low]),
            on.map(({ ms, low, high }): XY => [ms, high - low]),
          ),
          curve(
            look,
            on.map(({ ms, likely }): XY => [ms, likely]),
            {
              marks: marks(look, [
                ...(limitPct === undefined ? [] : [{ yAxis: limitPct, text: `limit ${limitPct} %` }]),
                ...exchanges.map((day) => ({ xAxis: Date.parse(day), text: 'exchanged' })),
                { xAxis: Date.parse(today), text: 'today' },
              ]),
            },
          ),
          ...errorBars(
            look,
            readings.map(({ on: day, low, high }) => ({ at: Date.parse(day), low, high })),
          ),
          dots(look, place('reservoir', now)),
          dots(look, place('caliper', now), { shape: 'triangle' }),
          dots(look, place('reservoir', gone), { open: true }),
          dots(look, place('caliper', gone), { open: true, shape: 'triangle' }),
        ],
      }
    },
    [readings, now, exchanges, last, limitPct, today, rise],
  )
  if (!takesWater)
    return <p>This fluid takes up no water: go by time, and look for free water low in the system.</p>
  if (readings.length === 0 && exchanges.length === 0)
    return <p>No reading and no exchange is on record yet: there is nothing to draw.</p>
  const words = `${readings.length} readings since ${showDate(readings[0]?.on ?? exchanges[0] ?? today)}; ${exchanges.length} exchanges.`
  const how = !rise
    ? ''
    : rise.basis === 'fitted'
      ? `The rise is fitted to this vehicle’s own readings (they count for ${Math.round(100 * rise.ownShare)} %, the usual 1 to 2 % a year for the rest).`
      : 'Too few readings since the last exchange, or too close together, to fit a rise of its own: the usual 1 to 2 % a year, from memory, is drawn.'
  return (
    <figure>
      <Chart draw={draw} label={`Water in the fluid over time. ${words} ${how}`} className={className} />
      <figcaption className="text-sm text-quiet">
        ● reservoir, ▲ caliper; filled since the last exchange, open before it. Bars: how far the tester may
        be off. Grey: where nine of ten would lie. {how}
      </figcaption>
    </figure>
  )
}
