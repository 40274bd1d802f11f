import type { LevelGlance, LevelSeen } from '~core/vehicle/level-glances'

/** Heights of what can be told apart, px from the top, with the mark where there is one. */
type Marks = readonly { mark: LevelGlance['mark']; y: number }[]

const WIDE_PX = 104
const WALL = { fill: 'none', strokeWidth: 4, strokeLinejoin: 'round', className: 'stroke-ink' } as const

/** A reservoir as one looks at it: from the side, at the window of its pot, or cut open with the lid off. */
export function ReservoirSketch({ seen, marks }: { seen: LevelSeen; marks: Marks }) {
  const top = marks[0]?.y ?? 0
  const bottom = marks.at(-1)?.y ?? 0
  const height = top + bottom
  const Body = bodies[seen]
  return (
    <svg width={WIDE_PX} height={height} viewBox={`0 0 ${WIDE_PX} ${height}`} aria-hidden="true">
      <Body top={top} bottom={bottom} height={height} />
      {marks.map(({ mark, y }) => (
        <g key={y}>
          <path
            d={mark ? `M6 ${y}H66` : `M6 ${y}H26`}
            strokeWidth={mark ? 3 : 1.6}
            strokeDasharray={mark ? '6 3' : undefined}
            className="stroke-ink"
          />
          {mark && (
            <text x="70" y={y + 5} fontSize="15" fontWeight="700" className="fill-ink">
              {mark}
            </text>
          )}
        </g>
      ))}
    </svg>
  )
}

type BodyProps = { top: number; bottom: number; height: number }

const bodies: Record<LevelSeen, (props: BodyProps) => React.ReactNode> = {
  marks: ({ height }) => <path d={`M6 8V${height - 4}H62V8`} {...WALL} />,
  'sight-glass': ({ top, bottom, height }) => {
    // The glass stands between its own line and half-way: more is seen inside, with the lid off.
    const radius = (bottom - top) / 4
    return (
      <>
        <path d={`M6 8V${height - 4}H62V8`} {...WALL} />
        <ellipse cx="34" cy={bottom - radius} rx="22" ry={radius} {...WALL} strokeWidth="3" />
      </>
    )
  },
  cup: ({ top, height }) => (
    <>
      <path
        d={`M2 8H12V${height - 22}Q12 ${height - 4} 28 ${height - 4}H40Q56 ${height - 4} 56 ${height - 22}V8H66`}
        {...WALL}
      />
      <path d={`M16 ${top / 3}H52`} strokeWidth="2" strokeDasharray="3 4" className="stroke-ink" />
    </>
  ),
}
