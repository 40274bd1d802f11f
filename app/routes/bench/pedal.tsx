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
      const y = (mm: number) => show.value('length', mm)
      return {
        ...frame(look),
        xAxis: acrossAxis(look, { name: `line pressure, ${show.unit('pressure')}`, min: 0 }),
        yAxis: upAxis(look, { name: `pedal travel, ${show.unit('length')}`, min: 0 }),
        series: [
          curve(
            look,
            result.curve.map((p): XY => [x(p.pressureKPa), y(p.travelMm)]),
            {
              marks: marks(look, [{ xAxis: x(500), text: 'light below' }]),
            },
          ),
          curve(
            look,
            result.curve.map((p): XY => [x(p.pressureKPa), y(p.airMm)]),
            { dashed: true },
          ),
          point(
            look,
            result.efforts.map((p): XY => [x(p.pressureKPa), y(p.travelMm)]),
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
              airMl === undefined
                ? undefined
                : `${show.number('volume', airMl)} ± ${show('volume', airErrorMl ?? 0)}`,
          },
          {
            name: 'swelling',
            value: words[swelling],
            note:
              swellingMlPerMPa === undefined
                ? undefined
                : `${show.number('volume', swellingMlPerMPa)} ± ${show('volume', swellingErrorMlPerMPa ?? 0)} at ${show('pressure', 1000)}`,
          },
          {
            name: 'sinks',
            value: words[sink],
            note: sinkMmPerMin === undefined ? 'not measured' : `${show('length', sinkMmPerMin)} a minute`,
          },
        ]}
      />
      <p className="text-sm">Never press the pedal with a caliper, drum or shoes off: pistons come out.</p>
    </>
  )
}
