import { useEffect, useRef } from 'react'
import type { FluidSpec } from '~core/fluids'
import { boilingCurve } from '~core/moisture/boiling-curve'
import { drawBoilingChart } from './boiling-chart.draw'

type Props = { spec: FluidSpec; waterPct?: number; boilingC?: number; bandC?: number }

/** The boiling curve of this fluid with the measured point on it. The chart's code is loaded here alone. */
export function BoilingChart(props: Props) {
  const { spec, waterPct, boilingC } = props
  const box = useRef<HTMLDivElement>(null)
  const curve = boilingCurve(spec)
  useEffect(() => {
    const element = box.current
    if (!element) return
    return drawBoilingChart(element, { spec, waterPct, boilingC })
  }, [spec, waterPct, boilingC])
  if (curve.length === 0)
    return (
      <p>
        {spec} takes up no water: there is no curve. Go by time, and look for free water low in the system.
      </p>
    )
  const words =
    waterPct === undefined || boilingC === undefined
      ? 'No reading yet.'
      : `The reading: ${waterPct.toFixed(1)} % water, about ${Math.round(boilingC)} °C.`
  return (
    <figure>
      <div
        ref={box}
        role="img"
        aria-label={`Boiling point falls from ${curve[0]?.boilingC.toFixed(0)} °C dry as water rises. ${words}`}
        className="h-72"
      />
      <figcaption className="text-sm text-quiet">
        Anchored at the standard’s minimum dry and wet boiling points, at sea level. The first per cent costs
        most. {words}
      </figcaption>
    </figure>
  )
}
