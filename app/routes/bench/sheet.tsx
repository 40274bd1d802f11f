import { useShow } from '~/lib/units'
import type { ValuesOf } from '~core/calculators/page'
import type { SheetResult, sheetBench } from '~core/calculators/sheet'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

type Values = ValuesOf<(typeof sheetBench)['fields']>

export function SheetPicture({ result, values }: PictureProps<SheetResult, Values>) {
  const show = useShow()
  const { strokes, wearMl, balance } = result
  const { levelMl, minMl, mlPerStroke, inMl, outMl, spilledMl, seenMl } = values
  return (
    <>
      <div className="grid gap-6 md:grid-cols-[auto_1fr]">
        <Reservoir levelMl={levelMl} minMl={minMl} wearMl={wearMl} strokes={strokes} strokeMl={mlPerStroke} />
        <Balance
          inMl={inMl}
          parts={[
            { name: 'in the bottle', ml: outMl },
            { name: 'spilled', ml: spilledMl },
            { name: 'held more', ml: seenMl },
          ]}
        />
      </div>
      <Figures
        figures={[
          {
            name: 'strokes to top-up',
            value: String(strokes),
            note: `of ${show('volume', mlPerStroke)}, never below MIN`,
          },
          {
            name: 'wear takes from MAX',
            value: show('volume', wearMl),
            note: 'a drop of that much may be no leak',
          },
          {
            name: 'held more than before',
            value: show('volume', balance.heldMl),
            note: 'in − out − spilled',
          },
          {
            name: 'gap',
            value: `${Math.round(100 * balance.gapShare)} %`,
            note: balance.wantsAnswer ? 'wants an answer' : 'no more than can be read',
          },
        ]}
      />
    </>
  )
}

type Tank = { levelMl: number; minMl: number; wearMl: number; strokes: number; strokeMl: number }

/** The reservoir from the side: level, MIN, and where each stroke leaves it. */
function Reservoir({ levelMl, minMl, wearMl, strokes, strokeMl }: Tank) {
  const show = useShow()
  const top = Math.max(levelMl, minMl, 1) * 1.1
  const y = (ml: number) => 180 - (160 * ml) / top
  const every = Math.max(1, Math.ceil(strokes / 12))
  const ticks = Array.from(
    { length: Math.floor(strokes / every) },
    (_, i) => levelMl - (i + 1) * every * strokeMl,
  )
  return (
    <svg
      viewBox="0 0 260 200"
      role="img"
      className="w-72"
      aria-label={`Reservoir at ${show('volume', levelMl)}, MIN at ${show('volume', minMl)}, ${strokes} strokes between.`}
    >
      <rect
        x="40"
        y="10"
        width="110"
        height="172"
        rx="8"
        className="fill-enamel stroke-ink"
        strokeWidth="3"
      />
      <rect x="42" y={y(levelMl)} width="106" height={180 - y(levelMl)} className="fill-[#d8b25c]" />
      {ticks.map((ml) => (
        <path key={ml} d={`M42 ${y(ml)} h22`} className="stroke-[#241b16]" strokeWidth="1.5" />
      ))}
      <path d={`M34 ${y(minMl)} H156`} className="stroke-oxide" strokeWidth="3" strokeDasharray="7 5" />
      <text x="160" y={y(minMl) + 5} fontSize="14" className="fill-ink font-bold">
        MIN
      </text>
      <text x="160" y={y(levelMl) + 5} fontSize="14" className="fill-ink font-bold">
        now
      </text>
      {wearMl < levelMl && wearMl > 0 && (
        <>
          <path d={`M156 ${y(levelMl)} V${y(levelMl - wearMl)}`} className="stroke-quiet" strokeWidth="3" />
          <text x="160" y={y(levelMl - wearMl) + 16} fontSize="13" className="fill-quiet">
            wear
          </text>
        </>
      )}
    </svg>
  )
}

/** What went in, against everything it went into; what is short or over stands out. */
function Balance({ inMl, parts }: { inMl: number; parts: { name: string; ml: number }[] }) {
  const show = useShow()
  const sum = parts.reduce((total, { ml }) => total + ml, 0)
  const most = Math.max(inMl, sum, 1)
  const width = (ml: number) => ({ width: `${(100 * ml) / most}%` })
  const looks = ['bg-ink', 'bg-oxide', 'bg-quiet']
  return (
    <div className="grid content-center gap-3">
      <p className="font-bold">Poured in: {show('volume', inMl)}</p>
      <div className="h-8 border-2 border-ink bg-enamel" style={width(inMl)} />
      <div className="flex h-8">
        {parts.map(({ name, ml }, i) => (
          <span key={name} className={looks[i]} style={width(ml)} />
        ))}
        {inMl > sum && <span className="hatched border-2 border-oxide" style={width(inMl - sum)} />}
      </div>
      <ul className="flex flex-wrap gap-x-5 gap-y-1">
        {parts.map(({ name, ml }, i) => (
          <li key={name} className="flex items-center gap-2">
            <span className={`inline-block size-4 ${looks[i]}`} /> {name} {show('volume', ml)}
          </li>
        ))}
        <li className="flex items-center gap-2 font-bold">
          <span className="hatched inline-block size-4 border-2 border-oxide" />
          {inMl >= sum
            ? `missing ${show('volume', inMl - sum)}`
            : `${show('volume', sum - inMl)} more than went in`}
        </li>
      </ul>
    </div>
  )
}
