import pattern from '../examples/forest-quad.json'
import type { Layout } from './layout'

export const quadLeverPedal: Layout = {
  id: 'quad-lever-pedal',
  name: 'Quad, lever and pedal',
  about: 'A lever for the front pair, a pedal for the rear axle.',
  pattern,
  wheelbaseMm: 1280,
  trackMm: 900,
}
