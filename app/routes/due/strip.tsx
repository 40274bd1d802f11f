import { showDate } from '~/lib/format'
import { dayNumber, monthsAfter } from '~core/base/day'

/** How far ahead the strip looks. */
export const stripMonths = 36
const TICK_EVERY_MONTHS = 12

type Props = { day: string; earliest: string; likely: string; latest: string }

/** The range of days on a line from today on, with the likely day marked. */
export function DueStrip({ day, earliest, likely, latest }: Props) {
  const from = dayNumber(day)
  const over = dayNumber(monthsAfter(day, stripMonths)) - from
  const x = (on: string) => Math.min(100, Math.max(0, (100 * (dayNumber(on) - from)) / over))
  const beyond = dayNumber(likely) - from > over
  const words =
    earliest === latest ? `On ${showDate(likely)}.` : `Between ${showDate(earliest)} and ${showDate(latest)}.`
  const ticks = Array.from(
    { length: stripMonths / TICK_EVERY_MONTHS - 1 },
    (_, i) => (i + 1) * TICK_EVERY_MONTHS,
  )
  return (
    <svg viewBox="0 0 106 14" className="h-7 w-full" role="img" aria-label={words} preserveAspectRatio="none">
      <g transform="translate(3 0)" vectorEffect="non-scaling-stroke">
        <path d="M0 7H100" className="stroke-rule" strokeWidth="1" vectorEffect="non-scaling-stroke" />
        {ticks.map((months) => (
          <path
            key={months}
            d={`M${x(monthsAfter(day, months))} 3V11`}
            className="stroke-rule"
            strokeWidth="1.5"
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <rect
          x={x(earliest)}
          y="4.5"
          width={Math.max(0.4, x(latest) - x(earliest))}
          height="5"
          className="fill-quiet opacity-40"
        />
        {beyond ? (
          <path
            d="M97 2L101 7L97 12"
            fill="none"
            className="stroke-ink"
            strokeWidth="2.5"
            vectorEffect="non-scaling-stroke"
          />
        ) : (
          <path
            d={`M${x(likely)} 1V13`}
            className="stroke-oxide"
            strokeWidth="5"
            vectorEffect="non-scaling-stroke"
          />
        )}
        <path d="M0 0V14" className="stroke-ink" strokeWidth="3" vectorEffect="non-scaling-stroke" />
      </g>
    </svg>
  )
}
