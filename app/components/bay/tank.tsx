import type { FloorAct } from '~/client/job/use-job-run'
import { useShow } from '~/lib/units'
import { stillWantedMl } from '~core/job/levels'
import type { StageRunState } from '~core/job/state'
import type { TankMark } from '~core/job/tank-marks'
import { AmountDialog } from './amount-dialog'

/** Drawn as tall as this, unless more is in it. @source from memory */
const TANK_ML = 1000

type Props = {
  stageRun: StageRunState
  tankMl?: number
  /** Where it will stand after each bleeder that is left. */
  marks: readonly TankMark[]
  name: string
  act: (act: FloorAct) => void
}

/** The machine's own tank, or the bottle on the reservoir, with a mark at what the rest of this stage wants: above it nobody has to fill in between. */
export function Tank({ stageRun, tankMl, marks, name, act }: Props) {
  const show = useShow()
  const wantsMl = stillWantedMl(stageRun)
  const fullMl = Math.max(TANK_ML, tankMl ?? 0, wantsMl)
  const y = (ml: number) => 74 - 66 * (ml / fullMl)
  return (
    <div className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
      <svg
        viewBox="0 0 90 80"
        className="h-20 flex-none"
        role="img"
        aria-label={
          tankMl === undefined
            ? `${name}, level not known`
            : `${name} at ${show('volume', tankMl)}, this stage still wants ${show('volume', wantsMl)}`
        }
      >
        {tankMl === undefined ? (
          <text x="22" y="50" fontSize="30" className="fill-ink">
            ?
          </text>
        ) : (
          <rect x="8" y={y(tankMl)} width="44" height={74 - y(tankMl)} className="fill-oxide-wash" />
        )}
        <path d="M8 4V74H52V4" fill="none" strokeWidth="3" className="stroke-ink" />
        {marks
          .filter(({ atMl }) => atMl >= 0)
          .map(({ point, atMl }) => (
            <path key={point} d={`M8 ${y(atMl)}H20`} strokeWidth="2" className="stroke-ink" />
          ))}
        <path d={`M4 ${y(wantsMl)}H56`} strokeWidth="1.6" strokeDasharray="4 2" className="stroke-ink" />
        <text x="58" y={Math.max(10, y(wantsMl) + 4)} fontSize="11" className="fill-ink">
          wants
        </text>
      </svg>
      {/* It is minded, and never as loud as what is to be done now. */}
      <p className={tankMl === undefined || tankMl < wantsMl ? 'border-l-8 border-oxide pl-3' : ''}>
        <strong className="block">{name}</strong>
        {tankMl === undefined
          ? 'Nobody has said what stands in it. Read its mark.'
          : `${show('volume', tankMl)} by count; this stage still wants ${show('volume', wantsMl)}.`}
      </p>
      {marks.length > 0 && (
        <ol className="col-span-2 flex flex-wrap gap-x-4" aria-label="Marks to work to">
          {marks.map(({ point, atMl }) => (
            <li key={point}>
              <strong>{point}</strong> {atMl < 0 ? 'after it is filled again' : `to ${show('volume', atMl)}`}
            </li>
          ))}
        </ol>
      )}
      <div className="col-span-2 grid">
        <AmountDialog
          trigger="Its mark"
          title={`${name}: at which mark?`}
          label="It stands at"
          button="Record the mark"
          onAmount={(amount) => act({ type: 'tank-read', ...amount })}
        />
      </div>
    </div>
  )
}
