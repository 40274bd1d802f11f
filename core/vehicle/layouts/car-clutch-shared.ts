import pattern from '../examples/coastguard-saloon.json'
import type { Layout } from './layout'

export const carClutchShared: Layout = {
  id: 'car-clutch-shared',
  pattern,
  wheelbaseMm: 2750,
  trackMm: 1550,
}
