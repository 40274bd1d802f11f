import pattern from '../examples/chapel-saloon.json'
import type { Layout } from './layout'

export const carSingleCircuit: Layout = {
  id: 'car-single-circuit',
  pattern,
  wheelbaseMm: 2540,
  trackMm: 1300,
}
