import pattern from '../examples/chapel-saloon.json'
import type { Layout } from './layout'

export const carSingleCircuit: Layout = {
  id: 'car-single-circuit',
  name: 'Old car, one circuit',
  about: 'Drums all round on one chamber, with a residual-pressure valve: any leak is total loss.',
  pattern,
  wheelbaseMm: 2540,
  trackMm: 1300,
}
