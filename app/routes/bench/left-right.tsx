import { type BleederMark, LineMap } from '~/components/line-map/line-map'
import { useShow } from '~/lib/units'
import {
  axleBleeders,
  type LeftRightResult,
  type leftRightBench,
  type Side,
} from '~core/calculators/left-right'
import type { ValuesOf } from '~core/calculators/page'
import { RESTRICTED_SHARE } from '~core/physics/hydraulics/restriction'
import type { ReturnVerdict } from '~core/physics/hydraulics/sides'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

type Values = ValuesOf<(typeof leftRightBench)['fields']>

const returnWords: Record<ReturnVerdict, string> = {
  free: 'returns freely',
  'one-way': 'does not return: one-way',
  'closed-inside': 'closed inside',
  'at-the-outlet': 'look at the bleeder',
}

export function LeftRightPicture({ result, values, vehicle }: PictureProps<LeftRightResult, Values>) {
  const show = useShow()
  const { left, right, slow } = result
  const at = vehicle && axleBleeders(vehicle, values.axle)
  const suspected = slow && at?.[slow]
  const picked = suspected ? [suspected.part.id, suspected.route?.lines.at(-1)?.id ?? ''] : []
  const marksOf = [
    { placed: at?.left, share: left.share },
    { placed: at?.right, share: right.share },
  ].flatMap(({ placed, share }): BleederMark[] =>
    placed
      ? [
          {
            id: placed.bleeder.id,
            label: `${Math.round(100 * share)}`,
            state: placed === suspected ? 'current' : share >= RESTRICTED_SHARE ? 'done' : 'waiting',
          },
        ]
      : [],
  )
  return (
    <>
      <div className={`grid items-center gap-5 ${vehicle ? 'md:grid-cols-2' : ''}`}>
        {vehicle && (
          <div>
            <LineMap
              vehicle={vehicle}
              marks={marksOf}
              picked={picked}
              className="[&_.lm-sheet]:max-h-[52vh]"
            />
            <p className="text-sm text-quiet">
              ✓ runs as its line predicts, or at half of it at least; a number is per cent of it.{' '}
              {suspected && 'The square, with its brake and last line picked out, is the one suspected.'}
            </p>
          </div>
        )}
        <div className="grid gap-5">
          <Bars
            name="Left"
            side={left}
            slow={slow === 'left'}
            most={Math.max(left.expectedMlPerMin, right.expectedMlPerMin, left.mlPerMin, right.mlPerMin)}
          />
          <Bars
            name="Right"
            side={right}
            slow={slow === 'right'}
            most={Math.max(left.expectedMlPerMin, right.expectedMlPerMin, left.mlPerMin, right.mlPerMin)}
          />
          <p className="text-sm text-quiet">
            Solid: caught. Hatched: what the line predicts. Dotted: half of it.
          </p>
        </div>
      </div>
      <Figures
        figures={[
          {
            name: 'left, of its line',
            value: `${Math.round(100 * left.share)} %`,
            note: left.return && returnWords[left.return],
          },
          {
            name: 'right, of its line',
            value: `${Math.round(100 * right.share)} %`,
            note: right.return && returnWords[right.return],
          },
          ...(slow && result[slow].effectiveBoreMm !== undefined
            ? [
                {
                  name: 'bore left in its last piece',
                  value: show('length', result[slow].effectiveBoreMm ?? 0),
                  note: `if all is lost over its ${lastPieceText(values[slow === 'left' ? 'leftLine' : 'rightLine'], show)}`,
                },
              ]
            : []),
        ]}
      />
      <p className="text-sm">
        Eye protection and gloves; hose on before the bleeder is opened; the maker’s pressure comes before any
        figure here.
      </p>
    </>
  )
}

const lastPieceText = (pieces: [number, number][], show: ReturnType<typeof useShow>) => {
  const [lengthM = 0, boreMm = 0] = pieces.at(-1) ?? []
  return `${show('run', lengthM)} of ${show('length', boreMm)} bore`
}

/** Measured against expected, one bar over the other; half of expected is marked. */
function Bars({ name, side, slow, most }: { name: string; side: Side; slow: boolean; most: number }) {
  const show = useShow()
  const width = (mlPerMin: number) => `${(100 * mlPerMin) / most}%`
  return (
    <div>
      <p className="flex flex-wrap justify-between gap-2 font-bold">
        <span>
          {name} {slow && <span className="bg-oxide px-2 text-on-oxide">restricted?</span>}
        </span>
        <span>
          {show('flow', side.mlPerMin)}{' '}
          <span className="font-normal text-quiet">of {show('flow', side.expectedMlPerMin)} expected</span>
        </span>
      </p>
      <div className="relative h-10 border-2 border-ink bg-enamel">
        <span
          className="hatched absolute inset-y-0 left-0 border-r-2 border-ink"
          style={{ width: width(side.expectedMlPerMin) }}
        />
        <span className="absolute inset-y-2 left-0 bg-ink" style={{ width: width(side.mlPerMin) }} />
        <span
          className="absolute inset-y-0 border-r-4 border-dotted border-oxide"
          style={{ width: width(side.expectedMlPerMin / 2) }}
        />
      </div>
    </div>
  )
}
