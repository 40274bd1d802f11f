import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { MapDrawing } from '~/components/line-map/drawing'
import lorryFile from '~core/vehicle/examples/coal-lorry.json'
import type { Vehicle } from '~core/vehicle/schema'
import { vehicleFrom } from '~test/worlds/vehicles'
import { line, medianMs, ms } from './measure'

/** The lorry with a tee and a valve in every brake pipe, a clutch and two more tees: thirty parts, all piped. */
function thirtyParts(): Vehicle {
  const pipes = lorryFile.lines.filter(({ to }) =>
    lorryFile.parts.some(({ id, type }) => id === to && type === 'wheel-brake'),
  )
  const short = [{ lengthM: 0.3, boreMm: 3.34, kind: 'tube' }]
  const added = pipes.flatMap(({ to }) => [
    { id: `tee ${to}`, type: 'junction' },
    { id: `valve ${to}`, type: 'valve', role: 'proportioning', bleeders: [] },
  ])
  const clutch = [
    { id: 'clutch reservoir', type: 'reservoir', maxMl: 200, minMl: 100 },
    {
      id: 'clutch cylinder',
      type: 'master-cylinder',
      fedBy: 'clutch reservoir',
      pedalRatio: 5,
      actuator: 'pedal',
      bleeders: [],
      chambers: [{ id: 'clutch chamber', boreMm: 19, strokeMm: 25 }],
    },
    { id: 'clutch slave', type: 'clutch-slave', boreMm: 22, strokeMm: 20, bleeders: [{ id: 'CL' }] },
  ]
  const gauges = pipes.map(({ to }) => ({ id: `gauge ${to}`, type: 'junction' }))
  return vehicleFrom({
    ...lorryFile,
    parts: [...lorryFile.parts, ...added, ...clutch, ...gauges],
    lines: [
      ...lorryFile.lines.flatMap((pipe) =>
        pipes.includes(pipe)
          ? [
              { from: pipe.from, to: `tee ${pipe.to}`, circuit: pipe.circuit, segments: pipe.segments },
              { from: `tee ${pipe.to}`, to: `valve ${pipe.to}`, circuit: pipe.circuit, segments: short },
              { from: `tee ${pipe.to}`, to: `gauge ${pipe.to}`, circuit: pipe.circuit, segments: short },
              { from: `valve ${pipe.to}`, to: pipe.to, circuit: pipe.circuit, segments: short },
            ]
          : [pipe],
      ),
      { from: 'clutch chamber', to: 'clutch slave', circuit: 'clutch', segments: short },
    ],
  })
}

/** Laying a map out happens once for a vehicle; drawing it happens at every act. */
export async function benchMap() {
  const large = Array.from({ length: 60 }, thirtyParts)
  const [vehicle] = large
  if (!vehicle) return
  // The map speaks in the units of whoever reads it, which it asks the router for.
  const draw = (of: Vehicle) => {
    const drawing = createElement('svg', null, createElement(MapDrawing, { vehicle: of }))
    const router = createMemoryRouter([{ path: '/', element: drawing }])
    return renderToStaticMarkup(createElement(RouterProvider, { router }))
  }
  const both = await medianMs(large.length, () => draw(large.pop() ?? vehicle))
  const redrawn = await medianMs(60, () => draw(vehicle))
  const { parts, lines } = vehicle
  line(
    `line map of ${parts.length} parts and ${lines.length} lines, laid out and drawn`,
    ms(both),
    'under 16 ms',
  )
  line('the same drawn again', ms(redrawn), 'under 16 ms')
}
