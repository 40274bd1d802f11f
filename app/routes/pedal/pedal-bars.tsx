import { useId } from 'react'
import { counted } from '~/lib/format'
import { useShow } from '~/lib/units'
import type { PedalTravels } from '~core/job/pedal-felt'

export type PedalRow = PedalTravels & { key: string; name: string; earlier: boolean }

const [WIDTH, HEIGHT] = [600, 26]

/** Each time the pedal was felt as one bar from rest: free, soft, firm, and how far it sank; all to one scale. */
export function PedalBars({ rows }: { rows: readonly PedalRow[] }) {
  const show = useShow()
  const most = Math.max(1, ...rows.map(({ bottomMm, sinkMm = 0 }) => bottomMm + sinkMm))
  return (
    <figure className="grid gap-3">
      <ul className="grid gap-3" aria-label={`Pedal travel, felt ${counted(rows.length, 'time')}`}>
        {rows.map((row) => (
          <li key={row.key} className="grid gap-1">
            <span className="flex flex-wrap justify-between gap-x-4">
              <strong className={row.earlier ? 'text-quiet' : ''}>{row.name}</strong>
              <span className="tabular-nums">
                bites {show('length', row.biteMm)}, firm {show('length', row.firmMm)}, ends{' '}
                {show('length', row.bottomMm)}
                {row.sinkMm !== undefined && `, sinks ${show('length', row.sinkMm)}`}
              </span>
            </span>
            <Bar row={row} most={most} />
          </li>
        ))}
      </ul>
      <figcaption className="text-quiet">
        From rest: empty is free play, hatched is soft, full is firm; an arrow is how far it sank in 30 s.
      </figcaption>
    </figure>
  )
}

function Bar({
  row: { biteMm, firmMm, bottomMm, sinkMm = 0, earlier },
  most,
}: {
  row: PedalRow
  most: number
}) {
  const hatch = useId()
  const x = (mm: number) => 2 + (mm / most) * (WIDTH - 4)
  const ink = earlier ? 'stroke-quiet' : 'stroke-ink'
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="none"
      aria-hidden="true"
      className="h-8 w-full"
    >
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" className="stroke-oxide" strokeWidth="4" />
        </pattern>
      </defs>
      <rect x={x(0)} y="2" width={x(biteMm) - x(0)} height="22" className={`fill-sheet ${ink}`} />
      <rect
        x={x(biteMm)}
        y="2"
        width={x(firmMm) - x(biteMm)}
        height="22"
        fill={`url(#${hatch})`}
        className={ink}
      />
      <rect
        x={x(firmMm)}
        y="2"
        width={x(bottomMm) - x(firmMm)}
        height="22"
        className={`${ink} ${earlier ? 'fill-quiet' : 'fill-ink'}`}
      />
      {sinkMm > 0 && (
        <path
          d={`M${x(bottomMm)} 13H${x(bottomMm + sinkMm)}m-6 -6l6 6l-6 6`}
          className="fill-none stroke-oxide"
          strokeWidth="3"
        />
      )}
    </svg>
  )
}
