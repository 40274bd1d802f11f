import { BoilingChart } from '~/components/chart/boiling-chart'
import { useShow } from '~/lib/units'
import { verdictWords } from '~/lib/words'
import type { BoilingResult } from '~core/calculators/boiling'
import { Figures } from './figures'
import type { PictureProps } from './pictures'

export function BoilingPicture({ result }: PictureProps<BoilingResult>) {
  const show = useShow()
  const {
    spec,
    pair,
    product,
    pressureKPa,
    waterPct,
    range,
    boilingC,
    bandC,
    limitPct,
    limitC,
    verdict,
    marginC,
  } = result
  return (
    <>
      <BoilingChart
        {...{ spec, pair: product ? pair : undefined, pressureKPa, waterPct, range, boilingC, limitPct }}
        className="h-96"
      />
      <Figures
        figures={[
          {
            name: range ? 'boiled at' : 'boils at about',
            value: show('temperature', boilingC),
            note: `± ${show.apart('temperature', bandC)}`,
          },
          {
            name: marginC < 0 ? 'below its wet limit' : 'above its wet limit',
            value: show.apart('temperature', Math.abs(marginC)),
            note: `limit ${show('temperature', limitC)}`,
          },
          {
            name: 'water by mass',
            value: range
              ? `${range.lowPct.toFixed(1)} to ${range.highPct.toFixed(1)} %`
              : `${waterPct.toFixed(1)} %`,
            note: `replace at ${limitPct} %`,
          },
          { name: 'under these limits', value: verdictWords[verdict] },
        ]}
      />
    </>
  )
}
