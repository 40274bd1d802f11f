import { useShow } from '~/lib/units'

type Point = { pressureKPa: number; travelMm: number }

const [WIDTH, HEIGHT, LEFT, BOTTOM] = [320, 180, 56, 34]

/** Travel against pressure as it was measured, with the straight line that swelling alone would make. */
export function EffortsCurve({ points }: { points: readonly Point[] }) {
  const show = useShow()
  const sorted = [...points].sort((a, b) => a.pressureKPa - b.pressureKPa)
  const last = sorted.at(-1)
  if (sorted.length < 2 || !last) return null
  const mostMm = Math.max(...sorted.map(({ travelMm }) => travelMm))
  if (!(last.pressureKPa > 0) || !(mostMm > 0)) return null
  const x = ({ pressureKPa }: Point) => LEFT + (pressureKPa / last.pressureKPa) * (WIDTH - LEFT - 16)
  const y = ({ travelMm }: Point) => HEIGHT - BOTTOM - (travelMm / mostMm) * (HEIGHT - BOTTOM - 14)
  const at = (point: Point) => `${x(point)} ${y(point)}`
  return (
    <figure className="max-w-md">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`Travel against pressure at ${sorted.length} efforts`}
        className="w-full fill-none"
      >
        <path d={`M${LEFT} 8V${HEIGHT - BOTTOM}H${WIDTH - 8}`} className="stroke-ink" strokeWidth="2" />
        <path
          d={`M${LEFT} ${HEIGHT - BOTTOM}L${at(last)}`}
          className="stroke-rule"
          strokeWidth="2"
          strokeDasharray="7 6"
        />
        <path
          d={`M${LEFT} ${HEIGHT - BOTTOM}${sorted.map((point) => `L${at(point)}`).join('')}`}
          className="stroke-oxide"
          strokeWidth="3"
        />
        {sorted.map((point) => (
          <circle key={at(point)} cx={x(point)} cy={y(point)} r="5" className="fill-oxide" />
        ))}
        <g className="fill-ink stroke-none text-[13px]">
          <text x={LEFT - 6} y="20" textAnchor="end">
            {show('length', mostMm)}
          </text>
          <text x={WIDTH - 8} y={HEIGHT - 12} textAnchor="end">
            {show('pressure', last.pressureKPa)}
          </text>
        </g>
      </svg>
      <figcaption className="text-sm text-quiet">
        Dashed: swelling alone. Air bulges above it at light efforts.
      </figcaption>
    </figure>
  )
}
