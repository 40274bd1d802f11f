import { useShow } from '~/lib/units'
import { nutStar } from '~core/vehicle/nut-star'
import type { Vehicle } from '~core/vehicle/schema'

/** A wheel's nuts as they lie, numbered in the order they are tightened; socket and torque beside it where they are known. */
export function NutStar({ wheels }: { wheels: NonNullable<Vehicle['wheels']> }) {
  const show = useShow()
  const { nuts, socketMm, torqueNm } = wheels
  const said = [
    socketMm !== undefined && `${socketMm} mm socket`,
    torqueNm !== undefined && show('torque', torqueNm),
  ].filter(Boolean)
  return (
    <div className="mt-2 grid grid-cols-[auto_1fr] items-center gap-4">
      {nuts !== undefined && nuts >= 3 && <Star nuts={nuts} />}
      <p>
        {said.length > 0 && <strong className="block">{said.join(', ')}</strong>}
        By hand first, then in this order, in two or three passes; again after a short drive.
      </p>
    </div>
  )
}

const MIDDLE = 60
const RADIUS = 44

function Star({ nuts }: { nuts: number }) {
  const order = nutStar(nuts)
  const at = (place: number) => {
    const angle = (2 * Math.PI * place) / nuts - Math.PI / 2
    return { x: MIDDLE + RADIUS * Math.cos(angle), y: MIDDLE + RADIUS * Math.sin(angle) }
  }
  const way = order.map((place) => `${at(place).x.toFixed(1)} ${at(place).y.toFixed(1)}`).join('L')
  const size = nuts > 8 ? 8 : 13
  return (
    <svg
      viewBox="0 0 120 120"
      className="size-32 flex-none"
      role="img"
      aria-label={`${nuts} nuts, tightened crosswise`}
    >
      <circle cx={MIDDLE} cy={MIDDLE} r="58" fill="none" strokeWidth="2" className="stroke-ink" />
      <path d={`M${way}`} fill="none" strokeWidth="1.4" strokeDasharray="4 3" className="stroke-quiet" />
      {order.map((place, i) => (
        <g key={place}>
          <circle
            cx={at(place).x}
            cy={at(place).y}
            r={size}
            strokeWidth="2"
            className="fill-enamel stroke-ink"
          />
          <text
            x={at(place).x}
            y={at(place).y + size * 0.4}
            textAnchor="middle"
            fontSize={size * 1.15}
            fontWeight="700"
            className="fill-ink"
          >
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  )
}
