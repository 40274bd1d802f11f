import pattern from '../examples/smithy-roadster.json'
import type { Layout } from './layout'

export const carCombinedCylinder: Layout = {
  id: 'car-combined-cylinder',
  name: 'Old car, brake and clutch in one casting',
  about: 'Two bores under one reservoir; the brake is a single circuit.',
  pattern,
  wheelbaseMm: 2310,
  trackMm: 1220,
}
