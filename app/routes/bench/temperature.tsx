import { useCallback } from 'react'
import { Chart } from '~/components/chart/chart'
import { acrossAxis, curve, frame, type Look, marks, point, upAxis, type XY } from '~/components/chart/look'
import { useShow } from '~/lib/units'
import type { ValuesOf } from '~core/calculators/page'
import type { TemperatureResult, temperatureBench } from '~core/calculators/temperature'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

type Values = ValuesOf<(typeof temperatureBench)['fields']>

export function TemperaturePicture({ result, values }: PictureProps<TemperatureResult, Values>) {
  const show = useShow()
  const { tempC } = values
  const { mlPerMin, speed, mm2PerS, minutesFor100Ml } = result
  const draw = useCallback(
    (look: Look) => {
      const x = (c: number) => show.value('temperature', c)
      const y = (ml: number) => show.value('flow', ml)
      return {
        ...frame(look),
        xAxis: acrossAxis(look, { name: `fluid, ${show.unit('temperature')}`, min: x(-20), max: x(50) }),
        yAxis: upAxis(look, { name: show.unit('flow'), min: 0 }),
        series: [
          curve(
            look,
            result.curve.map((p): XY => [x(p.tempC), y(p.mlPerMin)]),
            {
              marks: marks(look, [{ xAxis: x(20), text: show('temperature', 20) }]),
            },
          ),
          point(look, [[x(tempC), y(mlPerMin)]], `${speed.toFixed(2)} ×`),
        ],
      }
    },
    [result, tempC, mlPerMin, speed, show],
  )
  return (
    <>
      <Chart
        draw={draw}
        className="h-96"
        label={`Flow against temperature: ${show('flow', mlPerMin)} at ${show('temperature', tempC)}.`}
      />
      <Figures
        figures={[
          { name: 'through this run', value: show('flow', mlPerMin) },
          { name: `of its speed at ${show('temperature', 20)}`, value: `${speed.toFixed(2)} ×` },
          { name: `for ${show('volume', 100)}`, value: `${minutesFor100Ml.toFixed(1)} min` },
          { name: 'viscosity', value: `${mm2PerS.toFixed(1)} mm²/s`, note: 'typical, from memory' },
        ]}
      />
    </>
  )
}
