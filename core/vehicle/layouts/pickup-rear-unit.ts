import pattern from '../examples/quarry-pickup.json'
import type { Layout } from './layout'

export const pickupRearUnit: Layout = {
  id: 'pickup-rear-unit',
  name: 'Pickup, unit for the rear only',
  about: 'Quick-take-up cylinder, discs in front, drums behind.',
  pattern,
  wheelbaseMm: 3150,
  trackMm: 1620,
}
