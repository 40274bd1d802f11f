import { useId } from 'react'
import { useShow } from '~/lib/units'
import { placed, type Stretch } from '~core/repair-sheets/tube-run'
import { lineLengthM } from '~core/vehicle/network'
import type { Line } from '~core/vehicle/schema'

type Props = { line: Line; rust?: Partial<Stretch>; cut?: Stretch; onMark: (atM: number) => void }

const [WIDTH, LEFT, RIGHT, Y] = [460, 16, 16, 56]
/** Marked as finely as a rule laid along it is read. */
const STEP_M = 0.05

/** A line laid out straight, its tube and hose to scale: rust is marked on it by a tap, and where it is cut shows. */
export function LineStrip({ line, rust, cut, onMark }: Props) {
  const show = useShow()
  const hatch = useId()
  const lengthM = lineLengthM(line)
  const x = (m: number) => LEFT + (Math.min(Math.max(m, 0), lengthM) / lengthM) * (WIDTH - LEFT - RIGHT)
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} 112`}
        role="img"
        aria-label={`The line from ${line.from} to ${line.to}, ${show('run', lengthM)} long`}
        className="w-full cursor-crosshair border-2 border-ink bg-enamel"
        onPointerDown={(event) => {
          const box = event.currentTarget.getBoundingClientRect()
          const at = ((event.clientX - box.left) / box.width) * WIDTH
          const m = ((at - LEFT) / (WIDTH - LEFT - RIGHT)) * lengthM
          onMark(Math.round(Math.min(Math.max(m, 0), lengthM) / STEP_M) * STEP_M)
        }}
      >
        <defs>
          <pattern
            id={hatch}
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V7" className="stroke-oxide" strokeWidth="4" />
          </pattern>
        </defs>
        {placed(line.segments).map((piece) => (
          <rect
            key={piece.fromM}
            x={x(piece.fromM)}
            y={Y - (piece.kind === 'hose' ? 11 : 6)}
            width={Math.max(1, x(piece.toM) - x(piece.fromM))}
            height={piece.kind === 'hose' ? 22 : 12}
            className={piece.kind === 'hose' ? 'fill-ink stroke-ink' : 'fill-sheet stroke-ink'}
            strokeWidth="2"
          />
        ))}
        {rust?.fromM !== undefined && (
          <rect
            x={x(rust.fromM)}
            y={Y - 14}
            width={Math.max(3, x(rust.toM ?? rust.fromM) - x(rust.fromM))}
            height="28"
            fill={`url(#${hatch})`}
          />
        )}
        {cut &&
          [cut.fromM, cut.toM].map((m) => (
            <g key={m} className="fill-ink">
              <path
                d={`M${x(m)} ${Y - 30}V${Y + 30}`}
                className="stroke-ink"
                strokeWidth="3"
                strokeDasharray="5 4"
              />
              <text
                x={Math.min(Math.max(x(m), 34), WIDTH - 34)}
                y={Y - 36}
                textAnchor="middle"
                className="text-[14px] font-bold"
              >
                {show('run', m)}
              </text>
            </g>
          ))}
        <g className="fill-ink text-[14px]">
          <text x={LEFT} y="104">
            {line.from}
          </text>
          <text x={WIDTH - RIGHT} y="104" textAnchor="end">
            {line.to}
          </text>
        </g>
      </svg>
      <figcaption className="text-quiet">
        Thin is tube, thick is hose. Tap where the rust begins, then where it ends.
      </figcaption>
    </figure>
  )
}
