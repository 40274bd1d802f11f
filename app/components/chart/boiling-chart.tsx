import { useCallback } from 'react'
import { useShow } from '~/lib/units'
import { boilingCurve } from '~core/fluid/boiling-curve'
import { type FluidSpec, fluidOf } from '~core/fluid/specs'
import { type BoilingPair, boilingPoint, WET_WATER_PCT } from '~core/physics/moisture/boiling-point'
import { Chart } from './chart'
import { acrossAxis, band, curve as curveOf, frame, type Look, marks, point, upAxis, type XY } from './look'

type Props = {
  spec: FluidSpec
  waterPct?: number
  boilingC?: number
  /** From the product's data sheet; the specification's minima where none is given. */
  pair?: BoilingPair
  /** Of the air at the shop's height; sea level where left out. */
  pressureKPa?: number
  /** Between which the water lies, where it was worked out from a boiled sample. */
  range?: { lowPct: number; highPct: number }
  limitPct?: number
  className?: string
}

/** The boiling curve of this fluid with the measured point on it. */
export function BoilingChart({
  spec,
  waterPct,
  boilingC,
  pair,
  pressureKPa,
  range,
  limitPct = 3,
  className,
}: Props) {
  const show = useShow()
  const toPct = Math.max(6, Math.ceil((waterPct ?? 0) + 1))
  const curve = boilingCurve(spec, { pair, pressureKPa })
  const { dryC = 0, wetC: statedC = 0 } = pair ?? fluidOf(spec)
  const wetC =
    curve.length === 0
      ? 0
      : boilingPoint({ dryC, wetC: statedC, waterPct: WET_WATER_PCT, pressureKPa }).boilingC
  const draw = useCallback(
    (look: Look) => {
      const points = boilingCurve(spec, { pair, pressureKPa, toPct })
      const y = (c: number) => show.value('temperature', c)
      const at = (f: (p: (typeof points)[number]) => number): XY[] => points.map((p) => [p.waterPct, f(p)])
      const here = waterPct !== undefined && boilingC !== undefined
      return {
        ...frame(look),
        xAxis: acrossAxis(look, { name: 'water, %', min: 0, max: toPct }),
        yAxis: upAxis(look, {
          name: `boils at, ${show.unit('temperature')}`,
          min: show.unit('temperature') === '°C' ? 100 : 200,
        }),
        series: [
          ...band(
            look,
            at((p) => y(p.boilingC - p.bandC)),
            at((p) => y(p.boilingC + p.bandC) - y(p.boilingC - p.bandC)),
          ),
          curveOf(
            look,
            at((p) => y(p.boilingC)),
            {
              marks: marks(look, [
                { yAxis: y(wetC), text: `wet limit ${show('temperature', wetC)}` },
                { xAxis: limitPct, text: `${limitPct} %` },
              ]),
            },
          ),
          point(
            look,
            here ? [[waterPct, y(boilingC)]] : [],
            here ? show('temperature', boilingC) : undefined,
          ),
        ],
      }
    },
    [spec, pair, wetC, pressureKPa, toPct, limitPct, waterPct, boilingC, show],
  )
  if (curve.length === 0)
    return (
      <p>
        {spec} takes up no water: there is no curve. Go by time, and look for free water low in the system.
      </p>
    )
  const words =
    waterPct === undefined || boilingC === undefined
      ? 'No reading yet.'
      : `The reading: ${range ? `${range.lowPct.toFixed(1)} to ${range.highPct.toFixed(1)}` : waterPct.toFixed(1)} % water, about ${show('temperature', boilingC)}.`
  return (
    <figure>
      <Chart
        draw={draw}
        label={`Boiling point falls from ${show('temperature', curve[0]?.boilingC ?? 0)} dry as water rises. ${words}`}
        className={className}
      />
      <figcaption className="text-sm text-quiet">
        Anchored at {pair ? 'the product’s own' : 'the standard’s minimum'} dry and wet boiling points,{' '}
        {pressureKPa === undefined ? 'at sea level' : 'at the shop’s height'}. The first per cent costs most.{' '}
        {words}
      </figcaption>
    </figure>
  )
}
