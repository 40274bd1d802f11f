import { useCallback, useState } from 'react'
import { Chart } from '~/components/chart/chart'
import { acrossAxis, curve, frame, type Look, marks, upAxis, type XY } from '~/components/chart/look'
import { fluidPaints } from '~/components/swatch'
import { useShow } from '~/lib/units'
import type { ValuesOf } from '~core/calculators/page'
import type { PullMoment, PullResult, pullBench } from '~core/calculators/pull'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

type Values = ValuesOf<(typeof pullBench)['fields']>

/** A pull over time, and the wheel cut open at the moment that is picked. */
export function PullPicture({ result, values }: PictureProps<PullResult, Values>) {
  const show = useShow()
  const { moments, outMl, airInMl, wholeMm } = result
  const [picked, setPicked] = useState(36)
  const at = Math.min(picked, moments.length - 1)
  const moment = moments[at] as PullMoment
  const draw = useCallback(
    (look: Look) => {
      const series = (value: (one: PullMoment) => number): XY[] => moments.map((one) => [one.s, value(one)])
      return {
        ...frame(look),
        xAxis: acrossAxis(look, { name: 'seconds', min: 0 }),
        yAxis: upAxis(look, { name: `out, and air in, ${show.unit('volume')}` }),
        series: [
          curve(
            look,
            series(({ outMl: ml }) => show.value('volume', ml)),
            { marks: marks(look, [{ xAxis: moment.s, text: 'shown below' }]) },
          ),
          curve(
            look,
            series(({ airInMl: ml }) => show.value('volume', ml)),
            { dashed: true },
          ),
        ],
      }
    },
    [moments, moment, show],
  )
  return (
    <>
      <Chart
        draw={draw}
        className="h-64"
        label={`One pull over ${moments.at(-1)?.s.toFixed(1)} seconds: ${show('volume', outMl)} out, ${show('volume', airInMl)} of air in.`}
      />
      <p className="text-sm text-quiet">Thick: fluid out by the hose. Dashed: air drawn in at the bleeder.</p>
      <label className="grid gap-1">
        <span>
          Moment: <span className="font-bold tabular-nums">{moment.s.toFixed(2)} s</span>, {wordOf(moment)}
        </span>
        <input
          type="range"
          className="min-h-12 w-full accent-oxide"
          min={0}
          max={moments.length - 1}
          value={at}
          aria-valuetext={`${moment.s.toFixed(2)} seconds: ${wordOf(moment)}`}
          onChange={(event) => setPicked(Number(event.target.value))}
        />
      </label>
      <CutAway
        moment={moment}
        wholeMm={wholeMm}
        hose={values.hose}
        bubbleIs={show('volume', moment.bubbleMl)}
      />
      <Figures
        figures={[
          { name: 'pedal down', value: show('length', Math.round(moment.pedalMm)) },
          { name: 'pressure in the brake', value: show('pressure', Math.round(moment.brakeKPa)) },
          { name: 'air in the brake, as pressed now', value: show('volume', moment.bubbleMl) },
          { name: 'old at the bleeder', value: `${moment.oldPct.toFixed(0)} %` },
        ]}
      />
      <p className="text-sm">
        Close the bleeder before the pedal is let go. Eyes and paint are covered; the maker’s procedure comes
        first.
      </p>
    </>
  )
}

const wordOf = ({ open, pressed }: PullMoment): string =>
  `${pressed ? 'pedal held down' : 'pedal let go'}, bleeder ${open ? 'open' : 'closed'}`

const MOST_BUBBLE_R = 26

type CutAwayProps = { moment: PullMoment; wholeMm: number; hose: string; bubbleIs: string }

/** Cylinder, line, brake, bleeder and hose in one line, cut open. Its proportions are no drawing to scale. */
function CutAway({ moment, wholeMm, hose, bubbleIs }: CutAwayProps) {
  const { pedalMm, bubbleMl, oldPct, open, pressed, brakeKPa } = moment
  const rod = 4 + 40 * Math.min(1, pedalMm / wholeMm)
  const bubble = bubbleMl > 0.002 ? Math.min(MOST_BUBBLE_R, 3 + 14 * Math.cbrt(bubbleMl)) : 0
  return (
    <svg
      viewBox="0 0 520 190"
      role="img"
      aria-label={`${wordOf(moment)}; ${bubble > 0 ? `a bubble of ${bubbleIs}` : 'no bubble'} in the brake.`}
      className="w-full border-2 border-ink bg-enamel"
    >
      {/* Reservoir over the cylinder. */}
      <rect x="86" y="16" width="70" height="44" className="fill-sheet stroke-ink" strokeWidth="4" />
      <rect x="90" y="30" width="62" height="28" fill={fluidPaints.new} />
      <path d="M112 60 V82 M126 60 V82" className="stroke-ink" strokeWidth="4" />
      <rect
        x="60"
        y="82"
        width="130"
        height="40"
        fill={fluidPaints.new}
        className="stroke-ink"
        strokeWidth="4"
      />
      <rect
        x={62 + rod}
        y="86"
        width="18"
        height="32"
        className="fill-[#241b16] stroke-ink"
        strokeWidth="2"
      />
      <rect
        x={14 + rod}
        y="97"
        width="50"
        height="10"
        className="fill-[#241b16] stroke-ink"
        strokeWidth="2"
      />
      <path d={`M${14 + rod} 78 V126`} className="stroke-ink" strokeWidth="8" strokeLinecap="round" />
      <text x="16" y="152" className="fill-ink text-[15px] font-bold">
        {pressed ? 'foot down' : 'let go'}
      </text>
      {/* The line, and the brake with its piston. */}
      <path d="M190 102 H318" className="stroke-ink" strokeWidth="14" />
      <path d="M190 102 H318" stroke={fluidPaints.new} strokeWidth="7" />
      <rect
        x="316"
        y="58"
        width="84"
        height="88"
        fill={fluidPaints.new}
        className="stroke-ink"
        strokeWidth="4"
      />
      <rect x="318" y="60" width="80" height="84" fill={fluidPaints.brown} opacity={oldPct / 100} />
      <rect x="400" y="66" width="26" height="72" className="fill-sheet stroke-ink" strokeWidth="4" />
      {bubble > 0 && (
        <circle
          cx="350"
          cy={64 + bubble}
          r={bubble}
          className="fill-enamel stroke-oxide"
          strokeWidth="3.5"
          strokeDasharray="6 3"
        />
      )}
      <text x="318" y="170" className="fill-ink text-[15px] font-bold">
        {brakeKPa > 20 ? 'under pressure' : brakeKPa < -1 ? 'drawing' : 'no pressure'}
      </text>
      {/* The bleeder at its top, and the hose. */}
      <path d="M376 58 V40" className="stroke-ink" strokeWidth="10" />
      {open ? (
        <path d="M376 40 V24 H470 V96" fill="none" className="stroke-ink" strokeWidth="6" />
      ) : (
        <path d="M362 38 H390 M376 24 H470 V96" fill="none" className="stroke-ink" strokeWidth="6" />
      )}
      <text x="392" y="18" className="fill-ink text-[15px] font-bold">
        {open ? 'open' : 'closed'}
      </text>
      <path d="M446 90 V176 H498 V90" fill="none" className="stroke-ink" strokeWidth="4" />
      {hose !== 'open' && <rect x="448" y="84" width="48" height="90" fill={fluidPaints.new} />}
      <rect x="448" y="132" width="48" height="42" fill={fluidPaints.new} />
      {hose === 'check-valve' && <path d="M462 70 L478 70 L470 84 Z" className="fill-oxide" />}
    </svg>
  )
}
