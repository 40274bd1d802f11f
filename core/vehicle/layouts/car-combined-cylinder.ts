import pattern from '../examples/smithy-roadster.json'
import type { Layout } from './layout'

export const carCombinedCylinder: Layout = {
  id: 'car-combined-cylinder',
  pattern,
  wheelbaseMm: 2310,
  trackMm: 1220,
}
