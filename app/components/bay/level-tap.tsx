import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'

/** Where the fluid may be seen to stand between the marks, from above: what a glance can tell apart. */
const GLANCES = [
  { says: 'At MAX', share: 1 },
  { says: 'Three quarters', share: 0.75 },
  { says: 'Half-way', share: 0.5 },
  { says: 'A quarter', share: 0.25 },
  { says: 'At MIN', share: 0 },
]
const ROW_PX = 72
const GAP_PX = 8
const MIDDLE_PX = ROW_PX / 2
const HEIGHT_PX = GLANCES.length * (ROW_PX + GAP_PX) - GAP_PX

type TapProps = {
  /** Where the marks lie. */
  minMl: number
  maxMl: number
  onLevel: (ml: number) => void
}

/** A reservoir from the side, with its marks: the level is tapped where it stands. */
export function LevelTap({ minMl, maxMl, onLevel }: TapProps) {
  const show = useShow()
  return (
    <div className="grid grid-cols-[auto_1fr] gap-3">
      <Marks />
      <div className="grid" style={{ gap: GAP_PX }}>
        {GLANCES.map(({ says, share }) => {
          const ml = minMl + share * (maxMl - minMl)
          return (
            <Button
              key={says}
              className="justify-between text-xl"
              style={{ height: ROW_PX }}
              onClick={() => onLevel(ml)}
            >
              {says} <span className="font-normal">{show('volume', ml)}</span>
            </Button>
          )
        })}
      </div>
    </div>
  )
}

/** The reservoir from the side, its marks at the height of the first and the last button. */
function Marks() {
  return (
    <svg width="104" height={HEIGHT_PX} viewBox={`0 0 104 ${HEIGHT_PX}`} aria-hidden="true">
      <path
        d={`M6 8V${HEIGHT_PX - 4}H62V8`}
        fill="none"
        strokeWidth="4"
        strokeLinejoin="round"
        className="stroke-ink"
      />
      {GLANCES.map(({ says, share }, i) => {
        const y = MIDDLE_PX + i * (ROW_PX + GAP_PX)
        const mark = share === 1 ? 'MAX' : share === 0 ? 'MIN' : undefined
        return (
          <g key={says}>
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
        )
      })}
    </svg>
  )
}
