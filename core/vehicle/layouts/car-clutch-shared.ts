import pattern from '../examples/coastguard-saloon.json'
import type { Layout } from './layout'

export const carClutchShared: Layout = {
  id: 'car-clutch-shared',
  name: 'Car with hydraulic clutch',
  about: 'Diagonal split with stability control; the clutch has its own cylinder on the brake’s reservoir.',
  pattern,
  wheelbaseMm: 2750,
  trackMm: 1550,
}
