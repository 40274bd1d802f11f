import pattern from '../examples/regatta-coupe.json'
import type { Layout } from './layout'

export const carTwoCircuitsInFront: Layout = {
  id: 'car-two-circuits-in-front',
  pattern,
  wheelbaseMm: 2430,
  trackMm: 1430,
}
