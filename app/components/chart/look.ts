import type { EChartsCoreOption } from 'echarts/core'

/** The page's own colours and type, for a chart to be drawn in. */
export type Look = { ink: string; quiet: string; rule: string; oxide: string; enamel: string; font: string }
export type ChartOption = EChartsCoreOption

export const lookOf = (element: Element): Look => {
  const style = getComputedStyle(element)
  const colour = (name: string) => style.getPropertyValue(`--color-${name}`)
  return {
    ink: colour('ink'),
    quiet: colour('quiet'),
    rule: colour('rule'),
    oxide: colour('oxide'),
    enamel: colour('enamel'),
    font: style.fontFamily,
  }
}

/** What every chart here has in common: no movement, the page's type, room for large figures. */
export const frame = (look: Look): ChartOption => ({
  animation: false,
  textStyle: { fontFamily: look.font },
  grid: { left: 64, right: 28, top: 48, bottom: 50 },
})

type Axis = {
  name: string
  min?: number
  max?: number
  type?: 'value' | 'log' | 'time'
  show?: (value: number) => string
}
const axis = (look: Look, { name, min, max, type = 'value', show }: Axis) => ({
  type,
  name,
  min,
  max,
  axisLine: { show: true, onZero: false, lineStyle: { color: look.ink, width: 2 } },
  axisLabel: { color: look.ink, fontSize: 14, hideOverlap: true, formatter: show ?? String },
  nameTextStyle: { color: look.ink, fontSize: 14 },
  splitLine: { lineStyle: { color: look.rule } },
  minorSplitLine: { show: false },
})
export const acrossAxis = (look: Look, options: Axis) => ({
  ...axis(look, options),
  nameLocation: 'middle',
  nameGap: 30,
})
export const upAxis = (look: Look, options: Axis) => ({
  ...axis(look, options),
  nameTextStyle: { color: look.ink, fontSize: 14, align: 'left', padding: [0, 0, 0, -50] },
  // Above the word of an upright mark, which may stand at the very left.
  nameGap: 28,
})

export type XY = [number, number]

/** A thick line; dashed where it is a second one beside it. */
export const curve = (
  look: Look,
  data: XY[],
  options: { dashed?: true; name?: string; marks?: object } = {},
) => ({
  type: 'line',
  symbol: 'none',
  silent: true,
  name: options.name,
  lineStyle: {
    color: options.dashed ? look.quiet : look.ink,
    width: 3,
    type: options.dashed ? 'dashed' : 'solid',
  },
  ...(options.name && {
    endLabel: {
      show: true,
      formatter: options.name,
      color: look.ink,
      fontSize: 13,
      offset: [-6, -10],
      align: 'right',
    },
  }),
  data,
  ...(options.marks && { markLine: options.marks }),
})

/** The space between two curves, filled lightly: a stack of the lower and what lies above it. */
export const band = (look: Look, lower: XY[], width: XY[]) =>
  [
    { data: lower, areaStyle: undefined },
    { data: width, areaStyle: { color: look.quiet, opacity: 0.25 } },
  ].map((each) => ({
    type: 'line',
    stack: 'band',
    symbol: 'none',
    silent: true,
    lineStyle: { opacity: 0 },
    ...each,
  }))

/** Thin lines across, each with its word. */
export const marks = (
  look: Look,
  data: ({ yAxis: number; text: string } | { xAxis: number; text: string })[],
) => ({
  symbol: 'none',
  silent: true,
  lineStyle: { color: look.oxide, type: 'dashed', width: 2 },
  label: { color: look.ink, fontSize: 13, backgroundColor: look.enamel, padding: [1, 4] },
  data: data.map(({ text, ...at }) => ({
    ...at,
    label: { formatter: text, position: 'yAxis' in at ? 'insideStartTop' : 'end' },
  })),
})

/** Where this one stands. */
export const point = (look: Look, data: XY[], text?: string) => ({
  type: 'scatter',
  symbol: 'diamond',
  symbolSize: 20,
  silent: true,
  itemStyle: { opacity: 1, color: look.oxide, borderColor: look.ink, borderWidth: 2 },
  data,
  ...(text && {
    label: {
      show: true,
      formatter: text,
      position: [14, -22],
      color: look.ink,
      fontSize: 15,
      fontWeight: 700,
      backgroundColor: look.enamel,
      padding: [1, 4],
    },
  }),
})

/** How far a reading may be off: an upright line through it. */
export const errorBars = (look: Look, bars: { at: number; low: number; high: number }[]) =>
  bars.map(({ at, low, high }) => ({
    type: 'line',
    symbol: 'rect',
    symbolSize: [12, 2],
    silent: true,
    itemStyle: { color: look.ink },
    lineStyle: { color: look.ink, width: 2 },
    data: [
      [at, low],
      [at, high],
    ],
  }))

/** Readings: filled where they count now, open where they are of fluid that is gone. */
export const dots = (look: Look, data: XY[], { open = false, shape = 'circle' } = {}) => ({
  type: 'scatter',
  symbol: shape,
  symbolSize: 14,
  silent: true,
  itemStyle: {
    opacity: 1,
    color: open ? look.enamel : look.oxide,
    borderColor: open ? look.quiet : look.ink,
    borderWidth: 2,
  },
  data,
})
