import { type FluidSpec, fluidOf } from '~core/fluids'
import { boilingCurve } from '~core/moisture/boiling-curve'

type Point = { spec: FluidSpec; waterPct?: number; boilingC?: number }

/** Draw into an element once the chart library has come; the returned function takes it away again. */
export function drawBoilingChart(element: HTMLElement, { spec, waterPct, boilingC }: Point): () => void {
  let gone = false
  let takeAway = () => {}
  void import('./echarts-line').then(({ init }) => {
    if (gone) return
    const colour = (name: string) => getComputedStyle(element).getPropertyValue(`--color-${name}`)
    const [ink, quiet, rule, oxide] = ['ink', 'quiet', 'rule', 'oxide'].map(colour)
    const curve = boilingCurve(spec)
    const { wetC } = fluidOf(spec)
    const axis = {
      axisLine: { lineStyle: { color: ink, width: 2 } },
      axisLabel: { color: ink, fontSize: 14 },
      nameTextStyle: { color: ink, fontSize: 14 },
      splitLine: { lineStyle: { color: rule } },
    }
    const chart = init(element, undefined, { renderer: 'svg' })
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: getComputedStyle(element).fontFamily },
      grid: { left: 56, right: 24, top: 28, bottom: 44 },
      xAxis: {
        type: 'value',
        name: 'water, %',
        nameLocation: 'middle',
        nameGap: 28,
        min: 0,
        max: 6,
        ...axis,
      },
      yAxis: { type: 'value', name: '°C', min: 100, ...axis },
      series: [
        {
          type: 'line',
          stack: 'band',
          symbol: 'none',
          silent: true,
          lineStyle: { opacity: 0 },
          data: curve.map((p) => [p.waterPct, p.boilingC - p.bandC]),
        },
        {
          type: 'line',
          stack: 'band',
          symbol: 'none',
          silent: true,
          lineStyle: { opacity: 0 },
          areaStyle: { color: quiet, opacity: 0.25 },
          data: curve.map((p) => [p.waterPct, 2 * p.bandC]),
        },
        {
          type: 'line',
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink, width: 3 },
          data: curve.map((p) => [p.waterPct, p.boilingC]),
          markLine: {
            symbol: 'none',
            silent: true,
            lineStyle: { color: oxide, type: 'dashed', width: 2 },
            label: { color: ink, fontSize: 13, position: 'insideStartTop' },
            data: [
              { yAxis: wetC, label: { formatter: `wet minimum ${wetC} °C` } },
              { xAxis: 3, label: { formatter: '3 %', position: 'end' } },
            ],
          },
        },
        {
          type: 'scatter',
          symbol: 'diamond',
          symbolSize: 20,
          silent: true,
          itemStyle: { color: oxide, borderColor: ink, borderWidth: 2 },
          data: waterPct === undefined || boilingC === undefined ? [] : [[waterPct, boilingC]],
        },
      ],
    })
    const fit = new ResizeObserver(() => chart.resize())
    fit.observe(element)
    takeAway = () => {
      fit.disconnect()
      chart.dispose()
    }
  })
  return () => {
    gone = true
    takeAway()
  }
}
