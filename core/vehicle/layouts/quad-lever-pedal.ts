import pattern from '../examples/forest-quad.json'
import type { Layout } from './layout'

export const quadLeverPedal: Layout = {
  id: 'quad-lever-pedal',
  pattern,
  wheelbaseMm: 1280,
  trackMm: 900,
}
