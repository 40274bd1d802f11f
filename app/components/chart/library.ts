import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import { init, use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

use([LineChart, ScatterChart, GridComponent, MarkLineComponent, SVGRenderer])

/** Only what a line with a marked point needs; the whole library is three times as large. */
export { init }
