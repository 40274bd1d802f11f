import pattern from '../examples/quarry-pickup.json'
import type { Layout } from './layout'

export const pickupRearUnit: Layout = {
  id: 'pickup-rear-unit',
  pattern,
  wheelbaseMm: 3150,
  trackMm: 1620,
}
