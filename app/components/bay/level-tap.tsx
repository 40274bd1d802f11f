import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import { type LevelGlance, levelGlances, levelSeenOf } from '~core/vehicle/level-glances'
import type { PartOf } from '~core/vehicle/schema'
import { ReservoirSketch } from './reservoir-sketch'

const ROW_PX = 72
const GAP_PX = 8

type TapProps = { reservoir: PartOf<'reservoir'>; onLevel: (ml: number) => void }

/** A reservoir as it is looked at, its marks at the height of what is tapped: the level is tapped where it stands. */
export function LevelTap({ reservoir, onLevel }: TapProps) {
  const show = useShow()
  const say = useSay()
  const glances = levelGlances(reservoir)
  const seen = levelSeenOf(reservoir)
  const marks = glances.map(({ mark }, i) => ({ mark, y: ROW_PX / 2 + i * (ROW_PX + GAP_PX) }))
  return (
    <div className="grid gap-2">
      {seen !== 'marks' && <p className="font-semibold">{say(fact(`level-by-${seen}`))}</p>}
      <div className="grid grid-cols-[auto_1fr] gap-3">
        <ReservoirSketch seen={seen} marks={marks} />
        <div className="grid" style={{ gap: GAP_PX }}>
          {glances.map((glance) => (
            <Glance key={glance.ml} glance={glance} onLevel={onLevel}>
              {say(glance.says)} <span className="font-normal">{show('volume', glance.ml)}</span>
            </Glance>
          ))}
        </div>
      </div>
    </div>
  )
}

function Glance({
  glance,
  onLevel,
  children,
}: {
  glance: LevelGlance
  onLevel: TapProps['onLevel']
  children: React.ReactNode
}) {
  return (
    <Button
      className="justify-between gap-2 text-left text-xl"
      style={{ height: ROW_PX }}
      onClick={() => onLevel(glance.ml)}
    >
      {children}
    </Button>
  )
}
