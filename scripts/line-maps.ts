import { chromium } from '@playwright/test'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { createMemoryRouter, RouterProvider } from 'react-router'
import look from '~/app.css?raw'
import { MapDrawing } from '~/components/line-map/drawing'
import styles from '~/components/line-map/line-map.css?raw'
import { layoutVehicle } from '~core/linemap/layout'
import { bleedOrder } from '~core/plan/order/bleed-order'
import { examples } from '~core/vehicle/examples'
import { routedBleeders } from '~core/vehicle/network'
import { readVehicle } from '~core/vehicle/read-vehicle'
import { chromiumOptions } from '../test/http/server'

/** Every example vehicle's line map on one sheet, with run lengths and the order by furthest first. */
const path = process.argv[2] ?? 'docs/line-maps.png'
const grey = process.argv[3] === 'grey'
/** Drawing units to dots. */
const SCALE = 1.35

const colours = [...look.matchAll(/--([a-z0-9-]+): light-dark\((#[0-9a-f]+),/g)]
  .map(([, name, light]) => `--color-${name}:${light}`)
  .join(';')

function figure(name: string, file: unknown): string {
  const read = readVehicle(file)
  if (!read.ok) throw new Error(`${name}: ${read.faults[0]?.path}`)
  const vehicle = read.value
  const { width, height } = layoutVehicle(vehicle)
  const bleeders = routedBleeders(vehicle).filter(({ part }) => part.type !== 'master-cylinder')
  const marks = bleedOrder(vehicle, bleeders, 'furthest-first', false).value.map((id, i) => ({
    id,
    label: String(i + 1),
    state: 'waiting' as const,
  }))
  const drawing = createElement(MapDrawing, { vehicle, marks, lengths: true })
  const size = { viewBox: `0 0 ${width} ${height}`, width: width * SCALE, height: height * SCALE }
  // What the map says is said in somebody's units, which a page gets from its router: here from one without a page.
  const router = createMemoryRouter([{ path: '/', element: createElement('svg', size, drawing) }])
  const sheet = createElement(RouterProvider, { router })
  return `<figure>${renderToStaticMarkup(sheet)}<figcaption>${vehicle.name}</figcaption></figure>`
}

const browser = await chromium.launch(chromiumOptions)
try {
  const page = await browser.newPage({ viewport: { width: 2480, height: 900 } })
  await page.setContent(
    `<style>:root{${colours}}body{margin:16px;background:var(--color-sheet);color:var(--color-ink);font:600 17px sans-serif;
     display:grid;grid-template-columns:repeat(6,1fr);gap:14px;align-items:end;${grey ? 'filter:grayscale(1)' : ''}}
     figure{margin:0}figcaption{padding:2px 0 0 8px}${styles}</style>${Object.entries(examples)
       .map(([name, { file }]) => figure(name, file))
       .join('')}`,
  )
  await page.screenshot({ path, fullPage: true })
} finally {
  await browser.close()
}
