import { useCallback } from 'react'
import { Chart } from '~/components/chart/chart'
import { acrossAxis, curve, frame, type Look, point, upAxis, type XY } from '~/components/chart/look'
import { useShow } from '~/lib/units'
import type { BubblesResult, bubblesBench } from '~core/calculators/bubbles'
import type { ValuesOf } from '~core/calculators/page'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

type Values = ValuesOf<(typeof bubblesBench)['fields']>
const time = (s: number) =>
  s < 90 ? `${s < 10 ? s.toFixed(1) : Math.round(s)} s` : `${(s / 60).toFixed(s < 600 ? 1 : 0)} min`

export function BubblesPicture({ result, values }: PictureProps<BubblesResult, Values>) {
  const show = useShow()
  const { seconds, withinStokes, sticks, marginal, number } = result
  const { bubbleMm, boreMm } = values
  const draw = useCallback(
    (look: Look) => ({
      ...frame(look),
      xAxis: acrossAxis(look, {
        name: `bubble, ${show.unit('length')}`,
        type: 'log',
        min: show.value('length', 0.01),
        max: show.value('length', 1),
      }),
      yAxis: upAxis(look, { name: 'wait, s', type: 'log' }),
      series: [
        curve(
          look,
          result.curve.map((p): XY => [show.value('length', p.bubbleMm), p.seconds]),
        ),
        point(look, [[show.value('length', bubbleMm), seconds]], time(seconds)),
      ],
    }),
    [result, bubbleMm, seconds, show],
  )
  return (
    <>
      <Chart
        draw={draw}
        className="h-96"
        label={`Waiting time against bubble size: ${time(seconds)} for ${show('length', bubbleMm)}.`}
      />
      <Figures
        figures={[
          {
            name: `until ${show('length', bubbleMm)} have risen`,
            value: time(seconds),
            note: withinStokes ? 'at the most' : 'at the least: too large for Stokes',
          },
          {
            name: `one that fills ${show('length', boreMm)}`,
            value: marginal ? 'As good as stuck' : sticks ? 'Stays' : 'Rises',
            note: `ρ·g·r²/σ is ${number.toFixed(2)}; stays below 0.84`,
          },
        ]}
      />
    </>
  )
}
