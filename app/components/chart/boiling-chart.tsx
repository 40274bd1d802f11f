import { useCallback } from 'react'
import { useShow } from '~/lib/units'
import { boilingCurve } from '~core/fluid/boiling-curve'
import { type FluidSpec, fluidOf } from '~core/fluid/specs'
import type { BoilingPair } from '~core/physics/moisture/boiling-point'
import { Chart } from './chart'
import { acrossAxis, band, curve as curveOf, frame, type Look, marks, point, upAxis, type XY } from './look'

type Props = {
  spec: FluidSpec
  waterPct?: number
  boilingC?: number
  /** From the product's data sheet; the specification's minima where none is given. */
  pair?: BoilingPair
  /** How much lower everything boils at the shop's height. */
  lowerC?: number
  limitPct?: number
  className?: string
}

/** The boiling curve of this fluid with the measured point on it. */
export function BoilingChart({ spec, waterPct, boilingC, pair, lowerC = 0, limitPct = 3, className }: Props) {
  const show = useShow()
  const curve = boilingCurve(spec, { pair })
  const wetC = (pair?.wetC ?? fluidOf(spec).wetC ?? 0) - lowerC
  const draw = useCallback(
    (look: Look) => {
      const points = boilingCurve(spec, { pair })
      const y = (c: number) => show.value('temperature', c - lowerC)
      const at = (f: (p: (typeof points)[number]) => number): XY[] => points.map((p) => [p.waterPct, f(p)])
      const here = waterPct !== undefined && boilingC !== undefined
      return {
        ...frame(look),
        xAxis: acrossAxis(look, { name: 'water, %', min: 0, max: 6 }),
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
                { yAxis: y(wetC + lowerC), text: `wet limit ${show('temperature', wetC)}` },
                { xAxis: limitPct, text: `${limitPct} %` },
              ]),
            },
          ),
          point(
            look,
            here ? [[Math.min(waterPct, 6), y(boilingC + lowerC)]] : [],
            here ? show('temperature', boilingC) : undefined,
          ),
        ],
      }
    },
    [spec, pair, wetC, lowerC, limitPct, waterPct, boilingC, show],
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
      : `The reading: ${waterPct.toFixed(1)} % water, about ${show('temperature', boilingC)}.`
  return (
    <figure>
      <Chart
        draw={draw}
        label={`Boiling point falls from ${show('temperature', (curve[0]?.boilingC ?? 0) - lowerC)} dry as water rises. ${words}`}
        className={className}
      />
      <figcaption className="text-sm text-quiet">
        Anchored at {pair ? 'the product’s own' : 'the standard’s minimum'} dry and wet boiling points,{' '}
        {lowerC === 0 ? 'at sea level' : 'at the shop’s height'}. The first per cent costs most. {words}
      </figcaption>
    </figure>
  )
}
