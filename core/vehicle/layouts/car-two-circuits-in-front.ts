import pattern from '../examples/regatta-coupe.json'
import type { Layout } from './layout'

export const carTwoCircuitsInFront: Layout = {
  id: 'car-two-circuits-in-front',
  name: 'Car, two circuits in each front caliper',
  about: 'One circuit for all four wheels, a second for the fronts alone.',
  pattern,
  wheelbaseMm: 2430,
  trackMm: 1430,
}
