import { useCallback } from 'react'
import { Chart } from '~/components/chart/chart'
import { acrossAxis, curve, frame, type Look, marks, point, upAxis, type XY } from '~/components/chart/look'
import { useShow } from '~/lib/units'
import type { PedalResult } from '~core/calculators/pedal'
import type { Answer } from '~core/physics/air/pedal-feel'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

const words: Record<Answer, string> = { yes: 'Yes', no: 'No', 'cannot-tell': 'Cannot tell' }

export function PedalPicture({ result }: PictureProps<PedalResult>) {
  const show = useShow()
  const { air, swelling, sink, airMl, airErrorMl, swellingMlPerMPa, swellingErrorMlPerMPa, sinkMmPerMin } =
    result
  const draw = useCallback(
    (look: Look) => {
      const x = (kPa: number) => show.value('pressure', kPa)
      return {
        ...frame(look),
        xAxis: acrossAxis(look, { name: `line pressure, ${show.unit('pressure')}`, min: 0 }),
        yAxis: upAxis(look, { name: 'pedal travel, mm', min: 0 }),
        series: [
          curve(
            look,
            result.curve.map((p): XY => [x(p.pressureKPa), p.travelMm]),
            {
              marks: marks(look, [{ xAxis: x(500), text: 'light below' }]),
            },
          ),
          curve(
            look,
            result.curve.map((p): XY => [x(p.pressureKPa), p.airMm]),
            { dashed: true },
          ),
          point(
            look,
            result.efforts.map((p): XY => [x(p.pressureKPa), p.travelMm]),
          ),
        ],
      }
    },
    [result, show],
  )
  return (
    <>
      <Chart
        draw={draw}
        className="h-80"
        label={`Pedal travel at ${result.efforts.length} efforts, with what the fit makes of it. Air: ${words[air]}.`}
      />
      <p className="text-sm text-quiet">
        {result.curve.length === 0
          ? 'Diamonds: measured. No curve is drawn: nothing could be fitted to them.'
          : 'Diamonds: measured. Thick: clearance, air and swelling together. Dashed: the air’s part, curved; swelling is straight.'}
      </p>
      <Figures
        figures={[
          {
            name: 'air',
            value: words[air],
            note:
              airMl === undefined ? undefined : `${airMl.toFixed(1)} ± ${(airErrorMl ?? 0).toFixed(1)} mL`,
          },
          {
            name: 'swelling',
            value: words[swelling],
            note:
              swellingMlPerMPa === undefined
                ? undefined
                : `${swellingMlPerMPa.toFixed(2)} ± ${(swellingErrorMlPerMPa ?? 0).toFixed(2)} mL/MPa`,
          },
          {
            name: 'sinks',
            value: words[sink],
            note: sinkMmPerMin === undefined ? 'not measured' : `${sinkMmPerMin.toFixed(1)} mm/min`,
          },
        ]}
      />
      <p className="text-sm">Never press the pedal with a caliper, drum or shoes off: pistons come out.</p>
    </>
  )
}
