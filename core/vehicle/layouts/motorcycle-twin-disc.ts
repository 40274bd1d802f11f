import pattern from '../examples/courier-twin-disc.json'
import type { Layout } from './layout'

export const motorcycleTwinDisc: Layout = {
  id: 'motorcycle-twin-disc',
  name: 'Motorcycle, two front discs',
  about: 'Two calipers on one lever, one behind the other; pedal for the rear.',
  pattern,
  wheelbaseMm: 1440,
  trackMm: 700,
}
