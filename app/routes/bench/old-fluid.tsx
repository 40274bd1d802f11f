import { useCallback } from 'react'
import { Chart } from '~/components/chart/chart'
import { acrossAxis, curve, frame, type Look, marks, point, upAxis, type XY } from '~/components/chart/look'
import { useShow } from '~/lib/units'
import type { OldFluidResult, oldFluidBench } from '~core/calculators/old-fluid'
import type { ValuesOf } from '~core/calculators/page'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

/** The next round number, so that the scale ends where a person would end it. */
function niceTop(value: number): number {
  const step = 10 ** Math.floor(Math.log10(value)) / 2
  return Math.ceil(value / step) * step
}

type Values = ValuesOf<(typeof oldFluidBench)['fields']>

export function OldFluidPicture({ result, values }: PictureProps<OldFluidResult, Values>) {
  const show = useShow()
  const { needMl, bleedMl, fillMl, rinseMl, throughMl, atPoured, savedMl, buy } = result
  const { targetOldPct, pouredMl } = values
  const draw = useCallback(
    (look: Look) => {
      const x = (ml: number) => show.value('volume', ml)
      const furthest = result.curve.at(-1)?.pouredMl ?? 0
      const sizes = [...new Set(values.sizesMl)].filter((ml) => ml < furthest)
      return {
        ...frame(look),
        xAxis: acrossAxis(look, {
          name: `poured through the bleeders, ${show.unit('volume')}`,
          min: 0,
          max: niceTop(x(furthest)),
        }),
        yAxis: upAxis(look, { name: 'old, %', min: 0, max: 100 }),
        series: [
          curve(
            look,
            result.curve.map((p): XY => [x(p.pouredMl), p.outletPct]),
            {
              marks: marks(look, [
                { yAxis: targetOldPct, text: `target ${targetOldPct} %` },
                ...sizes.map((ml) => ({ xAxis: x(ml), text: show('volume', ml) })),
              ]),
            },
          ),
          curve(
            look,
            result.curve.map((p): XY => [x(p.pouredMl), p.meanPct]),
            { dashed: true },
          ),
          point(
            look,
            [[x(pouredMl), atPoured.outletPct]],
            `${atPoured.outletPct.toFixed(atPoured.outletPct < 10 ? 1 : 0)} % old`,
          ),
        ],
      }
    },
    [result, values, targetOldPct, pouredMl, atPoured, show],
  )
  const bought = buy.map(({ ml, count }) => `${count} × ${show('volume', ml)}`).join(' + ')
  return (
    <>
      <Chart
        draw={draw}
        className="h-96"
        label={`Old share of the last drops against fluid poured: ${atPoured.outletPct.toFixed(1)} % after ${show('volume', pouredMl)}, ${targetOldPct} % after ${show('volume', bleedMl)}.`}
      />
      <p className="text-sm text-quiet">
        Thick: the last drops at the worst bleeder. Dashed: what stays behind on average, reservoir and all.
        The target is for the last drops. Through each bleeder in order:{' '}
        {throughMl.map((ml) => show.number('volume', ml)).join(', ')} {show.unit('volume')}.
      </p>
      <Figures
        figures={[
          {
            name: 'new fluid in all',
            value: show('volume', needMl),
            note: `${show('volume', bleedMl)} through the bleeders, ${show('volume', fillMl)} to fill${rinseMl > 0 ? `, ${show('volume', rinseMl)} to rinse` : ''}${values.kept === 'machine' ? ', the rest stays in the machine' : ''}`,
          },
          { name: 'open', value: bought || 'nothing', note: 'least left over' },
          {
            name: `after ${show('volume', pouredMl)}`,
            value: `${atPoured.outletPct.toFixed(1)} %`,
            note: `of the last drops; ${atPoured.meanPct.toFixed(1)} % on average behind them`,
          },
          {
            name: 'saved by drawing down',
            value: show('volume', savedMl),
            note: 'against flushing it through',
          },
        ]}
      />
    </>
  )
}
